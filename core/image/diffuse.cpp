// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/diffuse.h"

#include <algorithm>
#include <array>

#include "core/image/levels.h"
#include "core/image/light.h"

namespace gorsefinch {

namespace {

// Errors of `Channels` channels on their way to the present row and the two after it, in 16ths (Floyd-Steinberg) or
// 8ths (Atkinson) of an amount. Two pixels of room at each side take what leaves the picture.
template <size_t Channels>
class ErrorRows {
  public:
    using Amounts = std::array<int, Channels>;

    ErrorRows(int width, Reduction method, int strength)
        : atkinson_(method == Reduction::Atkinson), strength_(strength) {
        for (auto& row : rows_)
            row.assign(static_cast<size_t>(width) + 4, Amounts{});
    }

    // What has come to a pixel, rounded to the nearest amount.
    int here(int x, size_t c) const {
        const int sum = rows_[0][static_cast<size_t>(x + 2)][c];
        return atkinson_ ? (sum + 4) >> 3 : (sum + 8) >> 4;
    }

    void spread(int x, int step, Amounts error) {
        if (strength_ != 100)
            for (int& each : error)
                each = each * strength_ / 100;
        const auto at = static_cast<size_t>(x + 2);
        const auto ahead = static_cast<size_t>(x + 2 + step), behind = static_cast<size_t>(x + 2 - step);
        for (size_t c = 0; c < Channels; ++c) {
            if (atkinson_) {
                rows_[0][ahead][c] += error[c];
                rows_[0][static_cast<size_t>(x + 2 + 2 * step)][c] += error[c];
                rows_[1][behind][c] += error[c];
                rows_[1][at][c] += error[c];
                rows_[1][ahead][c] += error[c];
                rows_[2][at][c] += error[c];
            } else {
                rows_[0][ahead][c] += error[c] * 7;
                rows_[1][behind][c] += error[c] * 3;
                rows_[1][at][c] += error[c] * 5;
                rows_[1][ahead][c] += error[c];
            }
        }
    }

    void nextRow() {
        std::swap(rows_[0], rows_[1]);
        std::swap(rows_[1], rows_[2]);
        std::fill(rows_[2].begin(), rows_[2].end(), Amounts{});
    }

  private:
    bool atkinson_;
    int strength_;
    std::array<std::vector<Amounts>, 3> rows_;
};

// Calls pixel(i, x, step) along each row, every other one from right to left, and nextRow() after each.
template <typename Pixel, typename NextRow>
void toAndFro(const Picture& p, Pixel pixel, NextRow nextRow) {
    for (int y = 0; y < p.height; ++y) {
        const int step = y % 2 == 0 ? 1 : -1;
        const size_t row = static_cast<size_t>(y) * static_cast<size_t>(p.width);
        for (int i = 0, x = step > 0 ? 0 : p.width - 1; i < p.width; ++i, x += step)
            pixel(row + static_cast<size_t>(x), x, step);
        nextRow();
    }
}

// An error that has run out of the range is cut, so that it does not smear over half the picture.
int held(int amount, int most) { return std::clamp(amount, -most / 2, most + most / 2); }

// Floyd-Steinberg at full strength on one channel, which is most of the work done for one-bit panels: the error to
// the next pixel stays in registers, those to the next row are written once each.
std::vector<uint8_t> floydSteinbergGreys(const Picture& p, const LevelSteps& steps) {
    const auto width = static_cast<size_t>(p.width);
    std::vector<uint8_t> out(p.pixels.size());
    std::vector<int> amounts(width), coming(width + 2, 0), leaving(width + 2, 0);
    const int most = steps.mostAmount();
    for (int y = 0; y < p.height; ++y) {
        const uint32_t* pixels = p.pixels.data() + static_cast<size_t>(y) * width;
        uint8_t* levels = out.data() + static_cast<size_t>(y) * width;
        for (size_t x = 0; x < width; ++x)
            amounts[x] = steps.amountOf(greyOf(pixels[x]));
        const std::ptrdiff_t step = y % 2 == 0 ? 1 : -1;
        auto x = static_cast<std::ptrdiff_t>(step > 0 ? 0 : width - 1);
        int ahead = 0;              // 7 of the last pixel's 16ths
        int below = 0, behind = 0;  // what the places under the last pixel and the one after it have so far
        for (size_t i = 0; i < width; ++i, x += step) {
            const int sum = held(amounts[static_cast<size_t>(x)] + ((coming[static_cast<size_t>(x + 1)] + ahead + 8) >> 4), most);
            const uint8_t level = steps.nearestLevel(sum);
            const int error = sum - steps.amountOfLevel(level);
            levels[x] = level;
            ahead = error * 7;
            leaving[static_cast<size_t>(x + 1 - step)] = behind + error * 3;
            behind = below + error * 5;
            below = error;
        }
        leaving[static_cast<size_t>(x + 1 - step)] = behind;
        std::swap(coming, leaving);
    }
    return out;
}

}  // namespace

std::vector<uint8_t> diffusedGreys(const Picture& p, const LevelSteps& steps, Reduction method, int strength) {
    if (method == Reduction::FloydSteinberg && strength == 100)
        return floydSteinbergGreys(p, steps);
    std::vector<uint8_t> out(p.pixels.size());
    ErrorRows<1> errors(p.width, method, strength);
    toAndFro(
        p,
        [&](size_t i, int x, int step) {
            const int sum = held(steps.amountOf(greyOf(p.pixels[i])) + errors.here(x, 0), steps.mostAmount());
            out[i] = steps.nearestLevel(sum);
            errors.spread(x, step, {sum - steps.amountOfLevel(out[i])});
        },
        [&] { errors.nextRow(); });
    return out;
}

std::vector<uint8_t> diffusedPalette(const Picture& p, const NearestColour& palette, bool linear, Reduction method,
                                     int strength) {
    const auto& light = lightOfStored();
    const auto amount = [&](uint32_t value) { return linear ? static_cast<int>(light[value]) : static_cast<int>(value) * 16; };
    const int most = linear ? 65535 : 255 * 16;
    std::array<int, 256> amounts;
    for (uint32_t value = 0; value < 256; ++value)
        amounts[value] = amount(value);
    std::vector<std::array<int, 3>> entries;
    for (const Colour& each : palette.colours())
        entries.push_back({amounts[each.argb >> 16 & 255], amounts[each.argb >> 8 & 255], amounts[each.argb & 255]});
    std::vector<uint8_t> out(p.pixels.size());
    ErrorRows<3> errors(p.width, method, strength);
    toAndFro(
        p,
        [&](size_t i, int x, int step) {
            std::array<int, 3> sum;
            uint32_t aim = 0;
            for (size_t c = 0; c < 3; ++c) {
                sum[c] = held(amounts[p.pixels[i] >> (16 - 8 * c) & 255] + errors.here(x, c), most);
                const auto inside = static_cast<uint32_t>(std::clamp(sum[c], 0, most));
                aim = aim << 8 | (linear ? storedOfLight(inside) : (inside + 8) >> 4);
            }
            out[i] = static_cast<uint8_t>(palette.of(aim));
            const std::array<int, 3>& got = entries[out[i]];
            errors.spread(x, step, {sum[0] - got[0], sum[1] - got[1], sum[2] - got[2]});
        },
        [&] { errors.nextRow(); });
    return out;
}

Picture diffusedChannels(const Picture& p, const Reducing& how) {
    const PixelFormatInfo& f = info(how.format);
    const std::array<int, 3> bits{f.redBits, f.greenBits, f.blueBits};
    const std::array<LevelSteps, 3> steps{LevelSteps(bits[0], how.linear), LevelSteps(bits[1], how.linear),
                                          LevelSteps(bits[2], how.linear)};
    Picture out = makePicture(p.width, p.height);
    ErrorRows<3> errors(p.width, how.method, how.strength);
    toAndFro(
        p,
        [&](size_t i, int x, int step) {
            std::array<int, 3> error;
            uint32_t argb = 0xff;
            for (size_t c = 0; c < 3; ++c) {
                const int sum = held(steps[c].amountOf(p.pixels[i] >> (16 - 8 * c) & 255) + errors.here(x, c),
                                     steps[c].mostAmount());
                const uint8_t level = steps[c].nearestLevel(sum);
                error[c] = sum - steps[c].amountOfLevel(level);
                argb = argb << 8 | valueOf(level, bits[c]);
            }
            out.pixels[i] = argb;
            errors.spread(x, step, error);
        },
        [&] { errors.nextRow(); });
    return out;
}

}  // namespace gorsefinch
