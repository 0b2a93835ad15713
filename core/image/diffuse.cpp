// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/diffuse.h"

#include <algorithm>
#include <array>

#include "core/image/levels.h"
#include "core/image/light.h"
#include "core/image/wide_loops.h"

namespace gorsefinch {

namespace {

template <size_t Channels>
using Amounts = std::array<int, Channels>;

// An error on its way within a row and to the next by Floyd and Steinberg: each place of the next row is written once,
// when the last of its three is known. Lives in registers, so its address may not get about.
template <size_t Channels>
struct FloydSteinbergRow {
    const Amounts<Channels>* coming;  // to this row; pixel x at x + 1
    Amounts<Channels>* leaving;       // to the next
    std::ptrdiff_t step;
    Amounts<Channels> ahead{};   // 7 sixteenths of the last pixel's error
    Amounts<Channels> below{};   // what has come to the place below the next pixel
    Amounts<Channels> behind{};  // and to that below the last one

    // What has come to pixel x, rounded.
    int here(std::ptrdiff_t x, size_t c) const { return (coming[x + 1][c] + ahead[c] + 8) >> 4; }
    void spread(std::ptrdiff_t x, const Amounts<Channels>& error) {
        for (size_t c = 0; c < Channels; ++c) {
            ahead[c] = error[c] * 7;
            leaving[x + 1 - step][c] = behind[c] + error[c] * 3;
            behind[c] = below[c] + error[c] * 5;
            below[c] = error[c];
        }
    }
};

template <size_t Channels>
Amounts<Channels> weakened(Amounts<Channels> error, int strength) {
    if (strength != 100)
        for (int& each : error)
            each = each * strength / 100;
    return error;
}

// pixel(number, come) answers the error of a pixel; come(c) is what has come to its channel c. Every other row runs
// from right to left.
template <size_t Channels, typename Pixel>
void byFloydSteinberg(const Picture& p, int strength, Pixel pixel) {
    std::vector<Amounts<Channels>> coming(static_cast<size_t>(p.width) + 2), leaving(coming.size());
    for (int y = 0; y < p.height; ++y) {
        const size_t row = static_cast<size_t>(y) * static_cast<size_t>(p.width);
        FloydSteinbergRow<Channels> errors{coming.data(), leaving.data(), y % 2 == 0 ? 1 : -1};
        std::ptrdiff_t x = errors.step > 0 ? 0 : p.width - 1;
        for (int i = 0; i < p.width; ++i, x += errors.step)
            errors.spread(x, weakened<Channels>(pixel(row + static_cast<size_t>(x), [&](size_t c) { return errors.here(x, c); }), strength));
        leaving[static_cast<size_t>(x + 1 - errors.step)] = errors.behind;
        std::swap(coming, leaving);
    }
}

// The same by Atkinson. Two pixels of room at each side take what leaves the picture.
template <size_t Channels, typename Pixel>
void byAtkinson(const Picture& p, int strength, Pixel pixel) {
    std::array<std::vector<Amounts<Channels>>, 3> rows;
    for (auto& each : rows)
        each.resize(static_cast<size_t>(p.width) + 4);
    for (int y = 0; y < p.height; ++y) {
        const size_t first = static_cast<size_t>(y) * static_cast<size_t>(p.width);
        const int step = y % 2 == 0 ? 1 : -1;
        for (int i = 0, x = step > 0 ? 0 : p.width - 1; i < p.width; ++i, x += step) {
            const auto at = [&](size_t row, int column) -> Amounts<Channels>& { return rows[row][static_cast<size_t>(column + 2)]; };
            const Amounts<Channels> error = weakened<Channels>(
                pixel(first + static_cast<size_t>(x), [&](size_t c) { return (at(0, x)[c] + 4) >> 3; }), strength);
            for (Amounts<Channels>* to : {&at(0, x + step), &at(0, x + 2 * step), &at(1, x - step), &at(1, x), &at(1, x + step), &at(2, x)})
                for (size_t c = 0; c < Channels; ++c)
                    (*to)[c] += error[c];
        }
        std::rotate(rows.begin(), rows.begin() + 1, rows.end());
        std::fill(rows[2].begin(), rows[2].end(), Amounts<Channels>{});
    }
}

template <size_t Channels, typename Pixel>
void diffuse(const Picture& p, Reduction method, int strength, Pixel pixel) {
    if (method == Reduction::Atkinson)
        byAtkinson<Channels>(p, strength, pixel);
    else
        byFloydSteinberg<Channels>(p, strength, pixel);
}

// An error that has run out of the range is cut, so that it does not smear over half the picture.
int held(int amount, int most) { return std::clamp(amount, -most / 2, most + most / 2); }

// In a loop of its own, which the compiler makes wide instructions of.
GORSEFINCH_WIDE_LOOPS void greysOf(const uint32_t* pixels, uint8_t* greys, size_t count) {
    for (size_t i = 0; i < count; ++i)
        greys[i] = static_cast<uint8_t>(greyOf(pixels[i]));
}

}  // namespace

std::vector<uint8_t> diffusedGreys(const Picture& p, const LevelSteps& steps, Reduction method, int strength) {
    // The greys stand where the levels will.
    std::vector<uint8_t> out(p.pixels.size());
    greysOf(p.pixels.data(), out.data(), out.size());
    uint8_t* levels = out.data();
    const int most = steps.mostAmount(), middle = (most + 1) / 2;
    if (steps.top() == 1)
        diffuse<1>(p, method, strength, [&, levels](size_t i, auto come) -> Amounts<1> {
            const int sum = steps.amountOf(levels[i]) + come(0);
            // All ones where it is lit: a branch would be foretold wrongly every other time, and a table would stand
            // between a pixel and the next.
            const int lit = (middle - 1 - sum) >> 31;
            levels[i] = static_cast<uint8_t>(lit & 1);
            return {sum - (most & lit)};
        });
    else
        diffuse<1>(p, method, strength, [&, levels](size_t i, auto come) -> Amounts<1> {
            const int sum = held(steps.amountOf(levels[i]) + come(0), most);
            levels[i] = steps.nearestLevel(sum);
            return {sum - steps.amountOfLevel(levels[i])};
        });
    return out;
}

std::vector<uint8_t> diffusedPalette(const Picture& p, const NearestColour& palette, bool linear, Reduction method,
                                     int strength) {
    const int most = linear ? 65535 : 255 * 16;
    Amounts<256> ofValue;
    for (size_t value = 0; value < 256; ++value)
        ofValue[value] = linear ? int{lightOfStored()[value]} : static_cast<int>(value) * 16;
    std::vector<Amounts<3>> ofEntry;
    for (const Colour& each : palette.colours())
        ofEntry.push_back({ofValue[each.argb >> 16 & 255], ofValue[each.argb >> 8 & 255], ofValue[each.argb & 255]});
    std::vector<uint8_t> out(p.pixels.size());
    const uint32_t* pixels = p.pixels.data();
    diffuse<3>(p, method, strength, [&](size_t i, auto come) -> Amounts<3> {
        Amounts<3> sum;
        uint32_t aim = 0;
        for (size_t c = 0; c < 3; ++c) {
            sum[c] = held(ofValue[pixels[i] >> (16 - 8 * c) & 255] + come(c), most);
            const auto inside = static_cast<uint32_t>(std::clamp(sum[c], 0, most));
            aim = aim << 8 | (linear ? uint32_t{storedOfLight(inside)} : (inside + 8) >> 4);
        }
        const uint32_t entry = palette.of(aim);
        out[i] = static_cast<uint8_t>(entry);
        for (size_t c = 0; c < 3; ++c)
            sum[c] -= ofEntry[entry][c];
        return sum;
    });
    return out;
}

Picture diffusedChannels(const Picture& p, const Reducing& how) {
    const PixelFormatInfo& f = info(how.format);
    const std::array<int, 3> bits{f.redBits, f.greenBits, f.blueBits};
    const std::array<LevelSteps, 3> steps{LevelSteps(bits[0], how.linear), LevelSteps(bits[1], how.linear),
                                          LevelSteps(bits[2], how.linear)};
    Picture out = makePicture(p.width, p.height);
    diffuse<3>(p, how.method, how.strength, [&](size_t i, auto come) -> Amounts<3> {
        Amounts<3> error;
        uint32_t argb = 0xff;
        for (size_t c = 0; c < 3; ++c) {
            const int sum = held(steps[c].amountOf(p.pixels[i] >> (16 - 8 * c) & 255) + come(c), steps[c].mostAmount());
            const uint8_t level = steps[c].nearestLevel(sum);
            error[c] = sum - steps[c].amountOfLevel(level);
            argb = argb << 8 | valueOf(level, bits[c]);
        }
        out.pixels[i] = argb;
        return error;
    });
    return out;
}

}  // namespace gorsefinch
