// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/diffuse.h"

#include <algorithm>
#include <array>

#include "core/image/levels.h"
#include "core/image/light.h"
#include "core/image/wide_loops.h"

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

// Errors on their way within a row: each place of the next row is written once, when the last of its three is known.
// Lives in registers, so its address may not get about.
template <size_t Channels>
struct RowErrors {
    using Amounts = std::array<int, Channels>;

    const Amounts* coming;  // to this row; pixel x at x + 1
    Amounts* leaving;       // to the next
    std::ptrdiff_t step;
    Amounts ahead{};   // 7 sixteenths of the last pixel's error
    Amounts below{};   // what has come to the place below the next pixel
    Amounts behind{};  // and to that below the last one

    // What has come to pixel x, rounded.
    int here(std::ptrdiff_t x, size_t c) const { return (coming[x + 1][c] + ahead[c] + 8) >> 4; }
    void spread(std::ptrdiff_t x, const Amounts& error) {
        for (size_t c = 0; c < Channels; ++c) {
            ahead[c] = error[c] * 7;
            leaving[x + 1 - step][c] = behind[c] + error[c] * 3;
            behind[c] = below[c] + error[c] * 5;
            below[c] = error[c];
        }
    }
};

// Floyd-Steinberg at full strength: each row in its direction, pixel(number, x, errors).
template <size_t Channels, typename Pixel>
void diffuseRows(const Picture& p, Pixel pixel) {
    std::vector<std::array<int, Channels>> coming(static_cast<size_t>(p.width) + 2), leaving(coming.size());
    for (int y = 0; y < p.height; ++y) {
        const size_t row = static_cast<size_t>(y) * static_cast<size_t>(p.width);
        RowErrors<Channels> errors{coming.data(), leaving.data(), y % 2 == 0 ? 1 : -1};
        std::ptrdiff_t x = errors.step > 0 ? 0 : p.width - 1;
        for (int i = 0; i < p.width; ++i, x += errors.step)
            pixel(row + static_cast<size_t>(x), x, errors);
        leaving[static_cast<size_t>(x + 1 - errors.step)] = errors.behind;
        std::swap(coming, leaving);
    }
}

// The greys of a row, in a loop of its own that the compiler makes wide instructions of.
GORSEFINCH_WIDE_LOOPS void greyRow(const uint32_t* pixels, uint8_t* greys, size_t count) {
    for (size_t i = 0; i < count; ++i)
        greys[i] = static_cast<uint8_t>(greyOf(pixels[i]));
}

// Two levels, most of what one-bit panels need: no table stands between a pixel and the next. The error never leaves
// the half of the range that a level is away, so nothing has to be cut.
std::vector<uint8_t> floydSteinbergTwoLevels(const Picture& p, const LevelSteps& steps) {
    std::vector<uint8_t> out(p.pixels.size());
    const int most = steps.mostAmount(), middle = (most + 1) / 2;
    // The greys stand where the levels will.
    greyRow(p.pixels.data(), out.data(), out.size());
    uint8_t* levels = out.data();
    diffuseRows<1>(p, [&, levels](size_t i, std::ptrdiff_t x, auto& errors) {
        const int sum = steps.amountOf(levels[i]) + errors.here(x, 0);
        // All ones where it is lit: a branch would be foretold wrongly every other time.
        const int lit = (middle - 1 - sum) >> 31;
        levels[i] = static_cast<uint8_t>(lit & 1);
        errors.spread(x, {sum - (most & lit)});
    });
    return out;
}

std::vector<uint8_t> floydSteinbergGreys(const Picture& p, const LevelSteps& steps) {
    if (steps.top() == 1)
        return floydSteinbergTwoLevels(p, steps);
    std::vector<uint8_t> out(p.pixels.size());
    diffuseRows<1>(p, [&](size_t i, std::ptrdiff_t x, auto& errors) {
        const int sum = steps.amountOf(greyOf(p.pixels[i])) + errors.here(x, 0);
        out[i] = steps.nearestLevel(sum);
        errors.spread(x, {sum - steps.amountOfLevel(out[i])});
    });
    return out;
}

// The amounts of a palette's entries and of stored values, in light or as stored.
struct PaletteAmounts {
    std::array<int, 256> ofValue;
    std::vector<std::array<int, 3>> ofEntry;
    int most;

    PaletteAmounts(const NearestColour& palette, bool linear) : most(linear ? 65535 : 255 * 16) {
        for (size_t value = 0; value < 256; ++value)
            ofValue[value] = linear ? int{lightOfStored()[value]} : static_cast<int>(value) * 16;
        for (const Colour& each : palette.colours())
            ofEntry.push_back({ofValue[each.argb >> 16 & 255], ofValue[each.argb >> 8 & 255], ofValue[each.argb & 255]});
    }
};

std::vector<uint8_t> floydSteinbergPalette(const Picture& p, const NearestColour& palette, bool linear) {
    const PaletteAmounts amounts(palette, linear);
    std::vector<uint8_t> out(p.pixels.size());
    const uint32_t* pixels = p.pixels.data();
    diffuseRows<3>(p, [&](size_t i, std::ptrdiff_t x, auto& errors) {
        const uint32_t argb = pixels[i];
        const std::array<int, 3> sum{held(amounts.ofValue[argb >> 16 & 255] + errors.here(x, 0), amounts.most),
                                     held(amounts.ofValue[argb >> 8 & 255] + errors.here(x, 1), amounts.most),
                                     held(amounts.ofValue[argb & 255] + errors.here(x, 2), amounts.most)};
        const auto aim = [&](size_t c) {
            const auto inside = static_cast<uint32_t>(std::clamp(sum[c], 0, amounts.most));
            return linear ? uint32_t{storedOfLight(inside)} : (inside + 8) >> 4;
        };
        const uint32_t entry = palette.of(aim(0) << 16 | aim(1) << 8 | aim(2));
        out[i] = static_cast<uint8_t>(entry);
        const std::array<int, 3>& got = amounts.ofEntry[entry];
        errors.spread(x, {sum[0] - got[0], sum[1] - got[1], sum[2] - got[2]});
    });
    return out;
}

Picture floydSteinbergChannels(const Picture& p, const std::array<LevelSteps, 3>& steps, const std::array<int, 3>& bits) {
    Picture out = makePicture(p.width, p.height);
    diffuseRows<3>(p, [&](size_t i, std::ptrdiff_t x, auto& errors) {
        std::array<int, 3> error;
        uint32_t argb = 0xff;
        for (size_t c = 0; c < 3; ++c) {
            const int sum = steps[c].amountOf(p.pixels[i] >> (16 - 8 * c) & 255) + errors.here(x, c);
            const uint8_t level = steps[c].nearestLevel(sum);
            error[c] = sum - steps[c].amountOfLevel(level);
            argb = argb << 8 | valueOf(level, bits[c]);
        }
        out.pixels[i] = argb;
        errors.spread(x, error);
    });
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
    if (method == Reduction::FloydSteinberg && strength == 100)
        return floydSteinbergPalette(p, palette, linear);
    const PaletteAmounts amounts(palette, linear);
    std::vector<uint8_t> out(p.pixels.size());
    ErrorRows<3> errors(p.width, method, strength);
    toAndFro(
        p,
        [&](size_t i, int x, int step) {
            std::array<int, 3> sum;
            uint32_t aim = 0;
            for (size_t c = 0; c < 3; ++c) {
                sum[c] = held(amounts.ofValue[p.pixels[i] >> (16 - 8 * c) & 255] + errors.here(x, c), amounts.most);
                const auto inside = static_cast<uint32_t>(std::clamp(sum[c], 0, amounts.most));
                aim = aim << 8 | (linear ? storedOfLight(inside) : (inside + 8) >> 4);
            }
            out[i] = static_cast<uint8_t>(palette.of(aim));
            const std::array<int, 3>& got = amounts.ofEntry[out[i]];
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
    if (how.method == Reduction::FloydSteinberg && how.strength == 100)
        return floydSteinbergChannels(p, steps, bits);
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
