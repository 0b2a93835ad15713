// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/diffuse.h"

#include <algorithm>
#include <array>
#include <memory>

#include "core/base/parallel.h"
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

// A band of a picture's rows on its own way through the errors. Every other row runs from right to left.
template <size_t Channels, typename Out, typename Pixel>
class Band {
  public:
    Band(const Picture& p, int strength, Out* out, const Pixel& pixel)
        : width_(p.width), strength_(strength), out_(out), pixel_(pixel), coming_(static_cast<size_t>(p.width) + 2), leaving_(coming_.size()), unseen_(static_cast<size_t>(p.width)) {}

    // Rows that are not kept only bring the errors into step.
    void beginRow(int y, bool kept) {
        const size_t first = static_cast<size_t>(y) * static_cast<size_t>(width_);
        row_ = first;
        to_ = kept ? out_ + first : unseen_.data();
        errors_ = {coming_.data(), leaving_.data(), y % 2 == 0 ? 1 : -1};
        x_ = errors_.step > 0 ? 0 : width_ - 1;
    }
    void step() {
        errors_.spread(x_, weakened<Channels>(pixel_(row_ + static_cast<size_t>(x_), [this](size_t c) { return errors_.here(x_, c); }, to_ + x_), strength_));
        x_ += errors_.step;
    }
    void endRow() {
        leaving_[static_cast<size_t>(x_ + 1 - errors_.step)] = errors_.behind;
        std::swap(coming_, leaving_);
    }
    int width() const { return width_; }

  private:
    int width_, strength_;
    Out* out_;
    Pixel pixel_;
    std::vector<Amounts<Channels>> coming_, leaving_;
    std::vector<Out> unseen_;
    FloydSteinbergRow<Channels> errors_{};
    size_t row_ = 0;
    Out* to_ = nullptr;
    std::ptrdiff_t x_ = 0;
};

constexpr size_t kBandPixels = size_t{1} << 17;  // pictures below twice that are one band
constexpr int kMostBands = 8;
constexpr int kSettling = 40;                    // rows

template <typename BandOf>
void rowOf(BandOf& band, int y, bool kept) {
    band.beginRow(y, kept);
    for (int i = 0; i < band.width(); ++i)
        band.step();
    band.endRow();
}

struct Rows {
    int first, count;
};

// Two bands at a time, pixel by pixel in turn: each waits for its own last pixel, so the other fills the gap.
template <typename BandOf>
void rowsOfTwo(BandOf a, Rows ofA, BandOf b, Rows ofB) {
    const auto both = [&](int y, bool kept) {
        a.beginRow(ofA.first + y, kept);
        b.beginRow(ofB.first + y, kept);
        for (int i = 0; i < a.width(); ++i) {
            a.step();
            b.step();
        }
        a.endRow();
        b.endRow();
    };
    const int rows = std::min(ofA.count, ofB.count);
    for (int y = std::min(kSettling, rows - 1); y > 0; --y)
        both(y, false);
    for (int y = 0; y < rows; ++y)
        both(y, true);
    for (int y = rows; y < ofA.count; ++y)
        rowOf(a, ofA.first + y, true);
    for (int y = rows; y < ofB.count; ++y)
        rowOf(b, ofB.first + y, true);
}

// pixel(number, come, to) answers the error of a pixel; come(c) is what has come to its channel c. Large pictures are
// cut into bands, which begin with errors that settled on their own first rows, so that no seam shows; which bands
// depends on the picture alone. `pixelOf()` makes a pixel function for one thread.
template <size_t Channels, typename Out, typename PixelOf>
void byFloydSteinberg(const Picture& p, int strength, Out* out, PixelOf pixelOf) {
    using ThisBand = Band<Channels, Out, decltype(pixelOf())>;
    const int pairs = std::min(static_cast<int>(std::min<size_t>(p.pixels.size() / kBandPixels, kMostBands)), p.height / (2 * kSettling)) / 2;
    if (pairs == 0) {
        ThisBand whole(p, strength, out, pixelOf());
        for (int y = 0; y < p.height; ++y)
            rowOf(whole, y, true);
        return;
    }
    const auto rows = [&](int band) {
        const int first = p.height * band / (pairs * 2);
        return Rows{first, p.height * (band + 1) / (pairs * 2) - first};
    };
    inParallel(pairs, p.pixels.size(), [&](int first, int last) {
        const auto pixel = pixelOf();
        for (int pair = first; pair < last; ++pair)
            rowsOfTwo(ThisBand(p, strength, out, pixel), rows(pair * 2), ThisBand(p, strength, out, pixel), rows(pair * 2 + 1));
    });
}

// The same by Atkinson, whole. Two pixels of room at each side take what leaves the picture.
template <size_t Channels, typename Out, typename Pixel>
void byAtkinson(const Picture& p, int strength, Out* out, Pixel pixel) {
    std::array<std::vector<Amounts<Channels>>, 3> rows;
    for (auto& each : rows)
        each.resize(static_cast<size_t>(p.width) + 4);
    for (int y = 0; y < p.height; ++y) {
        const size_t first = static_cast<size_t>(y) * static_cast<size_t>(p.width);
        const int step = y % 2 == 0 ? 1 : -1;
        for (int i = 0, x = step > 0 ? 0 : p.width - 1; i < p.width; ++i, x += step) {
            const auto at = [&](size_t row, int column) -> Amounts<Channels>& { return rows[row][static_cast<size_t>(column + 2)]; };
            const Amounts<Channels> error = weakened<Channels>(
                pixel(first + static_cast<size_t>(x), [&](size_t c) { return (at(0, x)[c] + 4) >> 3; }, out + first + static_cast<size_t>(x)), strength);
            for (Amounts<Channels>* to : {&at(0, x + step), &at(0, x + 2 * step), &at(1, x - step), &at(1, x), &at(1, x + step), &at(2, x)})
                for (size_t c = 0; c < Channels; ++c)
                    (*to)[c] += error[c];
        }
        std::rotate(rows.begin(), rows.begin() + 1, rows.end());
        std::fill(rows[2].begin(), rows[2].end(), Amounts<Channels>{});
    }
}

template <size_t Channels, typename Out, typename PixelOf>
void diffuse(const Picture& p, Reduction method, int strength, Out* out, PixelOf pixelOf) {
    if (method == Reduction::Atkinson)
        byAtkinson<Channels>(p, strength, out, pixelOf());
    else
        byFloydSteinberg<Channels>(p, strength, out, pixelOf);
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
    const uint8_t* greys = out.data();
    const int most = steps.mostAmount(), middle = (most + 1) / 2;
    if (steps.top() == 1)
        diffuse<1>(p, method, strength, out.data(), [&] {
            return [&steps, greys, most, middle](size_t i, auto come, uint8_t* to) -> Amounts<1> {
                const int sum = steps.amountOf(greys[i]) + come(0);
                // All ones where it is lit: a branch would be foretold wrongly every other time, and a table would
                // stand between a pixel and the next.
                const int lit = (middle - 1 - sum) >> 31;
                *to = static_cast<uint8_t>(lit & 1);
                return {sum - (most & lit)};
            };
        });
    else
        diffuse<1>(p, method, strength, out.data(), [&] {
            return [&steps, greys, most](size_t i, auto come, uint8_t* to) -> Amounts<1> {
                const int sum = held(steps.amountOf(greys[i]) + come(0), most);
                const uint8_t level = steps.nearestLevel(sum);
                *to = level;
                return {sum - steps.amountOfLevel(level)};
            };
        });
    return out;
}

namespace {

// What a palette's diffusion looks up.
struct PaletteAmounts {
    int most;
    Amounts<256> ofValue;
    std::vector<Amounts<3>> ofEntry;

    PaletteAmounts(const NearestColour& palette, bool linear) : most(linear ? 65535 : 255 * 16) {
        for (size_t value = 0; value < 256; ++value)
            ofValue[value] = linear ? int{lightOfStored()[value]} : static_cast<int>(value) * 16;
        for (const Colour& each : palette.colours())
            ofEntry.push_back({ofValue[each.argb >> 16 & 255], ofValue[each.argb >> 8 & 255], ofValue[each.argb & 255]});
    }
};

template <bool Linear>
std::vector<uint8_t> diffusedOn(const Picture& p, const NearestColour& palette, Reduction method, int strength) {
    const PaletteAmounts amounts(palette, Linear);
    std::vector<uint8_t> out(p.pixels.size());
    diffuse<3>(p, method, strength, out.data(), [&] {
        // The search remembers what it found, so each thread has its own.
        const auto search = std::make_shared<NearestColour>(palette);
        return [search, nearest = search.get(), pixels = p.pixels.data(), most = amounts.most, ofValue = amounts.ofValue.data(), ofEntry = amounts.ofEntry.data()](
                   size_t i, auto come, uint8_t* to) -> Amounts<3> {
            Amounts<3> sum;
            uint32_t aim = 0;
            for (size_t c = 0; c < 3; ++c) {
                sum[c] = held(ofValue[pixels[i] >> (16 - 8 * c) & 255] + come(c), most);
                const auto inside = static_cast<uint32_t>(std::clamp(sum[c], 0, most));
                aim = aim << 8 | (Linear ? uint32_t{storedOfLight(inside)} : (inside + 8) >> 4);
            }
            const uint32_t entry = nearest->of(aim);
            *to = static_cast<uint8_t>(entry);
            for (size_t c = 0; c < 3; ++c)
                sum[c] -= ofEntry[entry][c];
            return sum;
        };
    });
    return out;
}

}  // namespace

std::vector<uint8_t> diffusedPalette(const Picture& p, const NearestColour& palette, bool linear, Reduction method,
                                     int strength) {
    return linear ? diffusedOn<true>(p, palette, method, strength) : diffusedOn<false>(p, palette, method, strength);
}

Picture diffusedChannels(const Picture& p, const Reducing& how) {
    const PixelFormatInfo& f = info(how.format);
    const std::array<int, 3> bits{f.redBits, f.greenBits, f.blueBits};
    const std::array<LevelSteps, 3> steps{LevelSteps(bits[0], how.linear), LevelSteps(bits[1], how.linear),
                                          LevelSteps(bits[2], how.linear)};
    Picture out = makePicture(p.width, p.height);
    diffuse<3>(p, how.method, how.strength, out.pixels.data(), [&] {
        return [&steps, &bits, pixels = p.pixels.data()](size_t i, auto come, uint32_t* to) -> Amounts<3> {
            Amounts<3> error;
            uint32_t argb = 0xff;
            for (size_t c = 0; c < 3; ++c) {
                const int sum = held(steps[c].amountOf(pixels[i] >> (16 - 8 * c) & 255) + come(c), steps[c].mostAmount());
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
