// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/contrast.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace gorsefinch {

namespace {

constexpr int kColumn = 32;     // pixels: a text is judged where it is hardest to read
constexpr int kFewPixels = 16;  // of a column: the end of a letter says nothing

double linear(uint32_t channel) {
    static const auto table = [] {
        std::array<double, 256> out{};
        for (size_t i = 0; i < out.size(); ++i) {
            const double level = static_cast<double>(i) / 255;
            out[i] = level <= 0.03928 ? level / 12.92 : std::pow((level + 0.055) / 1.055, 2.4);
        }
        return out;
    }();
    return table[channel & 0xff];
}

double luminance(uint32_t argb) {
    return 0.2126 * linear(argb >> 16) + 0.7152 * linear(argb >> 8) + 0.0722 * linear(argb);
}

}  // namespace

double contrastOf(uint32_t argb, uint32_t other) {
    const double a = luminance(argb), b = luminance(other);
    return (std::max(a, b) + 0.05) / (std::min(a, b) + 0.05);
}

double measuredContrast(const Picture& with, const Picture& without, const Box& box) {
    const Box seen{std::max(box.x0, 0), std::max(box.y0, 0), std::min(box.x1, with.width),
                   std::min(box.y1, with.height)};
    double least = 0;
    for (int from = seen.x0; from < seen.x1; from += kColumn) {
        double best = 1;
        int pixels = 0;
        for (int y = seen.y0; y < seen.y1; ++y)
            for (int x = from; x < std::min(from + kColumn, seen.x1); ++x)
                if (const uint32_t ink = with.at(x, y), ground = without.at(x, y); ink != ground) {
                    best = std::max(best, contrastOf(ink, ground));
                    ++pixels;
                }
        if (pixels >= kFewPixels)
            least = least == 0 ? best : std::min(least, best);
    }
    return std::max(least, 1.0);
}

}  // namespace gorsefinch
