// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/hub.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <vector>

namespace gorsefinch {

namespace {

constexpr double kFar = 1e12;

// The smallest of (at - i)^2 + values[i], at each place of a row.
class LowerEnvelope {
  public:
    explicit LowerEnvelope(size_t most) : roots_(most), bounds_(most + 1), out_(most) {}

    const std::vector<double>& of(const std::vector<double>& values) {
        const size_t n = values.size();
        size_t last = 0;
        roots_[0] = 0;
        bounds_[0] = -kFar, bounds_[1] = kFar;
        for (size_t i = 1; i < n; ++i) {
            double from = crossing(values, i, roots_[last]);
            while (from <= bounds_[last])
                from = crossing(values, i, roots_[--last]);
            roots_[++last] = i;
            bounds_[last] = from;
            bounds_[last + 1] = kFar;
        }
        for (size_t i = 0, k = 0; i < n; ++i) {
            while (bounds_[k + 1] < static_cast<double>(i))
                ++k;
            const double away = static_cast<double>(i) - static_cast<double>(roots_[k]);
            out_[i] = away * away + values[roots_[k]];
        }
        return out_;
    }

  private:
    static double crossing(const std::vector<double>& values, size_t right, size_t left) {
        const auto r = static_cast<double>(right), l = static_cast<double>(left);
        return ((values[right] + r * r) - (values[left] + l * l)) / (2 * r - 2 * l);
    }

    std::vector<size_t> roots_;
    std::vector<double> bounds_, out_;
};

// How far each pixel is from the nearest that is not opaque, squared; with a frame of those around the picture.
std::vector<double> depths(const Picture& picture, size_t width, size_t height) {
    std::vector<double> all(width * height, 0);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x)
            if (picture.at(x, y) >> 24 >= 128)
                all[static_cast<size_t>(y + 1) * width + static_cast<size_t>(x + 1)] = kFar;
    LowerEnvelope envelope(std::max(width, height));
    std::vector<double> line(width);
    for (size_t y = 0; y < height; ++y) {
        const auto row = all.begin() + static_cast<std::ptrdiff_t>(y * width);
        line.assign(row, row + static_cast<std::ptrdiff_t>(width));
        const auto& done = envelope.of(line);
        std::copy_n(done.begin(), width, row);
    }
    line.resize(height);
    for (size_t x = 0; x < width; ++x) {
        for (size_t y = 0; y < height; ++y)
            line[y] = all[y * width + x];
        const auto& done = envelope.of(line);
        for (size_t y = 0; y < height; ++y)
            all[y * width + x] = done[y];
    }
    return all;
}

}  // namespace

std::optional<TurningPoint> findHub(const Picture& picture) {
    const size_t width = static_cast<size_t>(picture.width) + 2, height = static_cast<size_t>(picture.height) + 2;
    const std::vector<double> all = depths(picture, width, height);
    const size_t deepest = static_cast<size_t>(std::max_element(all.begin(), all.end()) - all.begin());
    if (all[deepest] == 0)
        return std::nullopt;
    const size_t deepestColumn = deepest % width, deepestRow = deepest / width;
    // The pixels around it that are as deep, but for what rounding makes of a disc with an even diameter.
    double sumX = 0, sumY = 0, count = 0;
    for (size_t y = 0; y < height; ++y)
        for (size_t x = 0; x < width; ++x) {
            const double dx = double(x) - double(deepestColumn), dy = double(y) - double(deepestRow);
            if (std::sqrt(all[y * width + x]) > std::sqrt(all[deepest]) - 0.3 && std::hypot(dx, dy) < 3) {
                sumX += double(x) - 0.5, sumY += double(y) - 0.5, count += 1;
            }
        }
    return TurningPoint{std::round(sumX / count * 2) / 2, std::round(sumY / count * 2) / 2};
}

}  // namespace gorsefinch
