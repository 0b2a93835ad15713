// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/reduce.h"

#include <algorithm>
#include <array>
#include <iterator>

#include "core/base/parallel.h"
#include "core/image/diffuse.h"
#include "core/image/level_steps.h"
#include "core/image/mix_pattern.h"
#include "core/image/nearest_colour.h"
#include "core/image/pack.h"
#include "core/image/threshold_map.h"

namespace gorsefinch {

namespace {

bool diffuses(Reduction method) { return method == Reduction::FloydSteinberg || method == Reduction::Atkinson; }

// Calls put(pixel number, threshold of 0 to 255) for each pixel; a weak dither stays near the middle.
template <typename Put>
void withThresholds(const Picture& p, const Reducing& how, Put put) {
    const ThresholdMap& map = thresholdMap(how.method);
    size_t i = 0;
    for (int y = 0; y < p.height; ++y)
        for (int x = 0; x < p.width; ++x, ++i)
            put(i, 128 + (map.at(x, y) - 128) * how.strength / 100);
}

// Grey formats: one channel.
std::vector<uint8_t> orderedGreys(const Picture& p, const Reducing& how, const LevelSteps& steps) {
    std::vector<uint8_t> out(p.pixels.size());
    if (how.method == Reduction::Nearest)
        for (size_t i = 0; i < out.size(); ++i)
            out[i] = steps.plainLevel(greyOf(p.pixels[i]));
    else
        withThresholds(p, how, [&](size_t i, int t) { out[i] = steps.level(greyOf(p.pixels[i]), t); });
    return out;
}

// Formats of separate channels.
Picture orderedChannels(const Picture& p, const Reducing& how) {
    const PixelFormatInfo& f = info(how.format);
    const LevelSteps red(f.redBits, how.linear), green(f.greenBits, how.linear), blue(f.blueBits, how.linear);
    Picture out = makePicture(p.width, p.height);
    const auto put = [&](size_t i, uint8_t r, uint8_t g, uint8_t b) {
        out.pixels[i] =
            0xff000000u | valueOf(r, f.redBits) << 16 | valueOf(g, f.greenBits) << 8 | valueOf(b, f.blueBits);
    };
    const auto value = [&](size_t i, int shift) { return p.pixels[i] >> shift & 255; };
    if (how.method == Reduction::Nearest)
        for (size_t i = 0; i < p.pixels.size(); ++i)
            put(i, red.plainLevel(value(i, 16)), green.plainLevel(value(i, 8)), blue.plainLevel(value(i, 0)));
    else
        withThresholds(p, how, [&](size_t i, int t) {
            put(i, red.level(value(i, 16), t), green.level(value(i, 8), t), blue.level(value(i, 0), t));
        });
    return out;
}

// Each thread has its own search and its own patterns, as these remember what they found; no pixel depends on another.
std::vector<uint8_t> orderedPalette(const Picture& p, const Reducing& how, const NearestColour& nearest) {
    constexpr size_t worthOf = 4;  // a pixel takes as long as so many of the simpler ways
    std::vector<uint8_t> out(p.pixels.size());
    inParallel(p.height, p.pixels.size() * worthOf, [&](int first, int last) {
        const NearestColour search(nearest);
        const size_t from = static_cast<size_t>(first) * static_cast<size_t>(p.width),
                     to = static_cast<size_t>(last) * static_cast<size_t>(p.width);
        if (how.method == Reduction::Nearest) {
            for (size_t i = from; i < to; ++i)
                out[i] = static_cast<uint8_t>(search.of(p.pixels[i]));
            return;
        }
        MixPatterns patterns(search, how.linear, how.strength);
        const ThresholdMap& map = thresholdMap(how.method);
        size_t i = from;
        for (int y = first; y < last; ++y)
            for (int x = 0; x < p.width; ++x, ++i)
                out[i] = static_cast<uint8_t>(patterns.colour(p.pixels[i], map.at(x, y)));
    });
    return out;
}

void reduceGreys(const Picture& p, const Reducing& how, Reduced& out) {
    const LevelSteps steps(info(how.format).bits, how.linear, info(how.format).isOneBit() ? 128 - how.threshold : 0);
    out.numbers =
        diffuses(how.method) ? diffusedGreys(p, steps, how.method, how.strength) : orderedGreys(p, how, steps);
}

void reducePalette(const Picture& p, const Reducing& how, Reduced& out) {
    NearestColour nearest(out.palette);
    // A small picture gains too little from it, and a plain one is to be exact.
    if (p.pixels.size() >= size_t{1} << 16 && how.method != Reduction::Nearest)
        nearest.prepareCells();
    out.numbers = diffuses(how.method) ? diffusedPalette(p, nearest, how.linear, how.method, how.strength)
                                       : orderedPalette(p, how, nearest);
}

void reduceChannels(const Picture& p, const Reducing& how, Reduced& out) {
    out.wide = diffuses(how.method) ? diffusedChannels(p, how) : orderedChannels(p, how);
    if (info(how.format).bits > 8)
        return;
    out.numbers.resize(out.wide.pixels.size());
    for (size_t i = 0; i < out.numbers.size(); ++i) {
        const uint32_t argb = out.wide.pixels[i];
        out.numbers[i] = static_cast<uint8_t>(levelOf(argb >> 16 & 255, 3) << 5 | levelOf(argb >> 8 & 255, 3) << 2 |
                                              levelOf(argb & 255, 2));
    }
    out.wide = {};
}

}  // namespace

Reduced reduce(const Picture& picture, const Reducing& wanted) {
    Reducing how = wanted;
    if (how.strength == 0)
        how.method = Reduction::Nearest;
    const PixelFormatInfo& f = info(how.format);
    Reduced out;
    out.format = how.format;
    out.width = picture.width;
    out.height = picture.height;
    if (f.hasPalette()) {
        out.palette = how.palette.empty() ? defaultPalette(how.format) : how.palette;
        out.palette.resize(std::min(out.palette.size(), size_t{1} << f.bits));
        reducePalette(picture, how, out);
    } else if (f.isMask()) {
        out.numbers.resize(picture.pixels.size());
        for (size_t i = 0; i < out.numbers.size(); ++i)
            out.numbers[i] = static_cast<uint8_t>(levelOf(picture.pixels[i] >> 24, f.bits));
    } else if (f.meaning == PixelMeaning::Grey) {
        reduceGreys(picture, how, out);
    } else {
        reduceChannels(picture, how, out);
    }
    return out;
}

namespace {

// Goes through the colours that numbers stand for.
struct ShownNumber {
    using iterator_category = std::forward_iterator_tag;
    using value_type = uint32_t;
    using difference_type = std::ptrdiff_t;
    using pointer = const uint32_t*;
    using reference = const uint32_t&;

    const uint8_t* at;
    const uint32_t* colours;

    reference operator*() const { return colours[*at]; }
    ShownNumber& operator++() {
        ++at;
        return *this;
    }
    ShownNumber operator++(int) { return {at++, colours}; }
    friend bool operator==(const ShownNumber& a, const ShownNumber& b) { return a.at == b.at; }
};

}  // namespace

Picture Reduced::picture() const {
    if (numbers.empty())
        return wide;
    const std::array<uint32_t, 256> colours = coloursOfNumbers(format, palette);
    // Made in one go: to clear a large picture first would take as long again.
    return {width, height,
            std::vector<uint32_t>(ShownNumber{numbers.data(), colours.data()},
                                  ShownNumber{numbers.data() + numbers.size(), colours.data()})};
}

std::vector<uint8_t> Reduced::bytes() const {
    return numbers.empty() ? packed(wide, format) : packedNumbers(numbers, format, width, height);
}

}  // namespace gorsefinch
