// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/diffuse.h"

#include <algorithm>
#include <array>
#include <cstring>
#include <memory>

#include "core/image/error_rows.h"
#include "core/image/levels.h"
#include "core/image/light.h"
#include "core/image/wide_loops.h"

namespace gorsefinch {

namespace {

template <typename Amount, typename Out, typename PixelOf>
void diffuse(const Picture& p, Reduction method, int strength, Out* out, PixelOf pixelOf) {
    if (method == Reduction::Atkinson)
        byAtkinson<Amount>(p, strength, out, pixelOf());
    else
        byFloydSteinberg<Amount>(p, strength, out, pixelOf);
}

// An error that has run out of the range is cut, so that it does not smear over half the picture.
int clampedAmount(int amount, int max) { return std::clamp(amount, -max / 2, max + max / 2); }
template <typename Amounts>
Amounts between(Amounts amounts, Amounts min, Amounts max) {
    amounts = amounts < min ? min : amounts;
    return amounts > max ? max : amounts;
}

// In a loop of its own, which the compiler makes wide instructions of.
GORSEFINCH_WIDE_LOOPS void greysOf(const uint32_t* pixels, uint8_t* greys, size_t count) {
    for (size_t i = 0; i < count; ++i)
        greys[i] = static_cast<uint8_t>(greyOf(pixels[i]));
}

}  // namespace

std::vector<uint8_t> diffusedGreys(const Picture& p, const LevelSteps& steps, Reduction method, int strength) {
    // The greys are at the positions of the levels.
    std::vector<uint8_t> out(p.pixels.size());
    greysOf(p.pixels.data(), out.data(), out.size());
    const uint8_t* greys = out.data();
    const int max = steps.maxAmount(), middle = (max + 1) / 2;
    if (steps.top() == 1)
        diffuse<int>(p, method, strength, out.data(), [&] {
            return [&steps, greys, max, middle](size_t i, int come, uint8_t* to) {
                const int sum = steps.amountOf(greys[i]) + come;
                // All ones where it is lit: a branch would be foretold wrongly every other time, and a table would
                // lie between a pixel and the next.
                const int lit = (middle - 1 - sum) >> 31;
                *to = static_cast<uint8_t>(lit & 1);
                return sum - (max & lit);
            };
        });
    else
        diffuse<int>(p, method, strength, out.data(), [&] {
            return [&steps, greys, max](size_t i, int come, uint8_t* to) {
                const int sum = clampedAmount(steps.amountOf(greys[i]) + come, max);
                const uint8_t level = steps.nearestLevel(sum);
                *to = level;
                return sum - steps.amountOfLevel(level);
            };
        });
    return out;
}

namespace {

// Amounts of stored channels: quarters of a step, so that sixteen errors fit 16 bits.
constexpr int16_t kStoredTop = 255 * 4;

// The channels of a pixel in the lanes: blue, green, red, 0.
Amounts16 storedAmounts(uint32_t argb) {
    const uint64_t spread = (argb & 0xff) | (argb & 0xff00) << 8 | static_cast<uint64_t>(argb & 0xff0000) << 16;
    Amounts16 out;
    std::memcpy(&out, &spread, sizeof out);
    return out << 2;
}

std::vector<uint8_t> diffusedStored(const Picture& p, const NearestColour& palette, Reduction method, int strength) {
    std::array<Amounts16, 256> ofEntry{};
    for (size_t i = 0; i < palette.colours().size(); ++i)
        ofEntry[i] = storedAmounts(palette.colours()[i].argb);
    std::vector<uint8_t> out(p.pixels.size());
    diffuse<Amounts16>(p, method, strength, out.data(), [&] {
        // The search remembers what it found, so each thread has its own.
        const auto search = std::make_shared<NearestColour>(palette);
        return [search, nearest = search.get(), pixels = p.pixels.data(), cells = palette.cells(),
                ofEntry = ofEntry.data()](size_t i, Amounts16 come, uint8_t* to) {
            constexpr int16_t top = kStoredTop, far = kStoredTop / 2;
            const Amounts16 none{}, max{top, top, top, 0};
            const Amounts16 sum = between(storedAmounts(pixels[i]) + come, Amounts16{-far, -far, -far, 0},
                                          Amounts16{top + far, top + far, top + far, 0});
            const Amounts16 inside = between(sum, none, max);
            // Five bits of each channel, brought together at the top.
            const Amounts16 high = inside >> 5;
            uint64_t lanes;
            std::memcpy(&lanes, &high, sizeof lanes);
            uint32_t entry =
                cells ? cells[lanes * ((uint64_t{1} << 48) + (uint64_t{1} << 37) + (uint64_t{1} << 26)) >> 48]
                      : NearestColour::kSearch;
            if (entry == NearestColour::kSearch) {
                const Amounts16 aim = (inside + 2) >> 2;
                entry = nearest->of(static_cast<uint32_t>(aim[2] << 16 | aim[1] << 8 | aim[0]));
            }
            *to = static_cast<uint8_t>(entry);
            return static_cast<Amounts16>(sum - ofEntry[entry]);
        };
    });
    return out;
}

std::vector<uint8_t> diffusedLight(const Picture& p, const NearestColour& palette, Reduction method, int strength) {
    constexpr int top = 65535, far = top / 2;
    const auto amountsOf = [](uint32_t argb) {
        const auto& light = lightOfStored();
        return Amounts32{light[argb & 255], light[argb >> 8 & 255], light[argb >> 16 & 255], 0};
    };
    std::array<Amounts32, 256> ofEntry{};
    for (size_t i = 0; i < palette.colours().size(); ++i)
        ofEntry[i] = amountsOf(palette.colours()[i].argb);
    std::vector<uint8_t> out(p.pixels.size());
    diffuse<Amounts32>(p, method, strength, out.data(), [&] {
        const auto search = std::make_shared<NearestColour>(palette);
        return [search, nearest = search.get(), pixels = p.pixels.data(), ofEntry = ofEntry.data(), amountsOf](
                   size_t i, Amounts32 come, uint8_t* to) {
            const Amounts32 sum = between(amountsOf(pixels[i]) + come, Amounts32{-far, -far, -far, 0},
                                          Amounts32{top + far, top + far, top + far, 0});
            const Amounts32 inside = between(sum, Amounts32{}, Amounts32{top, top, top, 0});
            const auto stored = [&](int c) { return uint32_t{storedOfLight(static_cast<uint32_t>(inside[c]))}; };
            const uint32_t entry = nearest->nearly(stored(2) << 16 | stored(1) << 8 | stored(0));
            *to = static_cast<uint8_t>(entry);
            return static_cast<Amounts32>(sum - ofEntry[entry]);
        };
    });
    return out;
}

}  // namespace

std::vector<uint8_t> diffusedPalette(const Picture& p, const NearestColour& palette, bool linear, Reduction method,
                                     int strength) {
    return linear ? diffusedLight(p, palette, method, strength) : diffusedStored(p, palette, method, strength);
}

Picture diffusedChannels(const Picture& p, const Reducing& how) {
    const PixelFormatInfo& f = info(how.format);
    const std::array<int, 3> bits{f.redBits, f.greenBits, f.blueBits};
    const std::array<LevelSteps, 3> steps{LevelSteps(bits[0], how.linear), LevelSteps(bits[1], how.linear),
                                          LevelSteps(bits[2], how.linear)};
    Picture out = makePicture(p.width, p.height);
    diffuse<Amounts32>(p, how.method, how.strength, out.pixels.data(), [&] {
        return [&steps, &bits, pixels = p.pixels.data()](size_t i, Amounts32 come, uint32_t* to) {
            Amounts32 error{};
            uint32_t argb = 0xff;
            for (size_t c = 0; c < 3; ++c) {
                const int sum =
                    clampedAmount(steps[c].amountOf(pixels[i] >> (16 - 8 * c) & 255) + come[c], steps[c].maxAmount());
                const uint8_t level = steps[c].nearestLevel(sum);
                error[c] = sum - steps[c].amountOfLevel(level);
                argb = argb << 8 | valueOf(level, bits[c]);
            }
            *to = argb;
            return error;
        };
    });
    return out;
}

}  // namespace gorsefinch
