// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <vector>

#include "core/base/parallel.h"
#include "core/image/picture.h"

// How errors of pixels travel to their neighbours, by Floyd and Steinberg or by Atkinson, whatever an error is: a
// number, or several channels' side by side. A pixel function returns the error of a pixel: pixel(number, come, to),
// where `come` is what has come to it, rounded, and `to` takes the result.

namespace gorsefinch {

// Channels that go through the arithmetic side by side; the fourth stays 0.
using Amounts16 = int16_t __attribute__((vector_size(8)));
using Amounts32 = int32_t __attribute__((vector_size(16)));

// What of an error is passed on; strength in per cent.
inline int weakened(int error, int strength) { return strength == 100 ? error : error * strength / 100; }
template <typename Amounts>
Amounts weakened(Amounts error, int strength) {
    if (strength != 100)
        for (int c = 0; c < 3; ++c)
            error[c] = static_cast<std::remove_cvref_t<decltype(error[0])>>(error[c] * strength / 100);
    return error;
}

// An error on its way within a row and to the next by Floyd and Steinberg: each pixel of the next row is written once,
// when the last of its three is known. Lives in registers, so its address may not get about.
template <typename Amount>
struct FloydSteinbergRow {
    const Amount* coming;  // to this row; pixel x at x + 1
    Amount* leaving;       // to the next
    std::ptrdiff_t step;
    Amount ahead{};   // 7 sixteenths of the last pixel's error
    Amount below{};   // what has come to the pixel below the next one
    Amount behind{};  // and to that below the last one

    // What has come to pixel x, rounded.
    Amount here(std::ptrdiff_t x) const { return (coming[x + 1] + ahead + 8) >> 4; }
    void spread(std::ptrdiff_t x, Amount error) {
        ahead = (error << 3) - error;
        leaving[x + 1 - step] = behind + (error << 1) + error;
        behind = below + (error << 2) + error;
        below = error;
    }
};

// A band of a picture's rows on its own way through the errors. Every other row runs from right to left.
template <typename Amount, typename Out, typename Pixel>
class Band {
  public:
    Band(const Picture& p, int strength, Out* out, const Pixel& pixel)
        : width_(p.width),
          strength_(strength),
          out_(out),
          pixel_(pixel),
          coming_(static_cast<size_t>(p.width) + 2),
          leaving_(coming_.size()),
          unseen_(static_cast<size_t>(p.width)) {}

    // Rows that are not kept only bring the errors into step.
    void beginRow(int y, bool kept) {
        const size_t first = static_cast<size_t>(y) * static_cast<size_t>(width_);
        row_ = first;
        to_ = kept ? out_ + first : unseen_.data();
        errors_ = {coming_.data(), leaving_.data(), y % 2 == 0 ? 1 : -1};
        x_ = errors_.step > 0 ? 0 : width_ - 1;
    }
    void step() {
        errors_.spread(x_, weakened(pixel_(row_ + static_cast<size_t>(x_), errors_.here(x_), to_ + x_), strength_));
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
    std::vector<Amount> coming_, leaving_;
    std::vector<Out> unseen_;
    FloydSteinbergRow<Amount> errors_{};
    size_t row_ = 0;
    Out* to_ = nullptr;
    std::ptrdiff_t x_ = 0;
};

inline constexpr size_t kBandPixels = size_t{1} << 17;  // pictures below twice that are one band
inline constexpr int kMaxBands = 8;
inline constexpr int kSettling = 40;  // rows

template <typename BandOf>
void rowOf(BandOf& band, int y, bool kept) {
    band.beginRow(y, kept);
    for (int i = 0; i < band.width(); ++i)
        band.step();
    band.endRow();
}

struct BandRows {
    int first, count;
};

// Two bands at a time, pixel by pixel in turn: each waits for its own last pixel, so the other fills the gap.
template <typename BandOf>
void rowsOfTwo(BandOf a, BandRows ofA, BandOf b, BandRows ofB) {
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

// Large pictures are cut into bands, which begin with errors that settled on their own first rows, so that no seam
// shows; which bands depends on the picture alone. `pixelOf()` makes a pixel function for one thread.
template <typename Amount, typename Out, typename PixelOf>
void byFloydSteinberg(const Picture& p, int strength, Out* out, PixelOf pixelOf) {
    using ThisBand = Band<Amount, Out, decltype(pixelOf())>;
    const int pairs = std::min(static_cast<int>(std::min<size_t>(p.pixels.size() / kBandPixels, kMaxBands)),
                               p.height / (2 * kSettling)) /
                      2;
    if (pairs == 0) {
        ThisBand whole(p, strength, out, pixelOf());
        for (int y = 0; y < p.height; ++y)
            rowOf(whole, y, true);
        return;
    }
    const auto rows = [&](int band) {
        const int first = p.height * band / (pairs * 2);
        return BandRows{first, p.height * (band + 1) / (pairs * 2) - first};
    };
    inParallel(pairs, p.pixels.size(), [&](int first, int last) {
        const auto pixel = pixelOf();
        for (int pair = first; pair < last; ++pair)
            rowsOfTwo(ThisBand(p, strength, out, pixel), rows(pair * 2), ThisBand(p, strength, out, pixel),
                      rows(pair * 2 + 1));
    });
}

// The same by Atkinson, whole. Two pixels of room at each side take what leaves the picture.
template <typename Amount, typename Out, typename Pixel>
void byAtkinson(const Picture& p, int strength, Out* out, Pixel pixel) {
    std::array<std::vector<Amount>, 3> rows;
    for (auto& each : rows)
        each.resize(static_cast<size_t>(p.width) + 4);
    for (int y = 0; y < p.height; ++y) {
        const size_t first = static_cast<size_t>(y) * static_cast<size_t>(p.width);
        const int step = y % 2 == 0 ? 1 : -1;
        for (int i = 0, x = step > 0 ? 0 : p.width - 1; i < p.width; ++i, x += step) {
            const auto at = [&](size_t row, int column) -> Amount& {
                return rows[row][static_cast<size_t>(column) + 2];
            };
            const Amount error = weakened(
                pixel(first + static_cast<size_t>(x), (at(0, x) + 4) >> 3, out + first + static_cast<size_t>(x)),
                strength);
            for (Amount* to :
                 {&at(0, x + step), &at(0, x + 2 * step), &at(1, x - step), &at(1, x), &at(1, x + step), &at(2, x)})
                *to += error;
        }
        std::rotate(rows.begin(), rows.begin() + 1, rows.end());
        std::fill(rows[2].begin(), rows[2].end(), Amount{});
    }
}

}  // namespace gorsefinch
