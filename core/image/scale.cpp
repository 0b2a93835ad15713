// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/scale.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace gorsefinch {

namespace {

// IEC 61966-2-1, the sRGB transfer function.
double toLinear(double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); }
double toStored(double v) { return v <= 0.0031308 ? v * 12.92 : 1.055 * std::pow(v, 1 / 2.4) - 0.055; }

const std::array<float, 256>& linearTable() {
    static const auto table = [] {
        std::array<float, 256> t;
        for (size_t i = 0; i < t.size(); ++i)
            t[i] = static_cast<float>(toLinear(static_cast<double>(i) / 255));
        return t;
    }();
    return table;
}

uint32_t stored8(float linear) {
    static const auto table = [] {
        std::array<uint8_t, 4097> t;
        for (size_t i = 0; i < t.size(); ++i)
            t[i] = static_cast<uint8_t>(std::lround(255 * toStored(static_cast<double>(i) / 4096)));
        return t;
    }();
    return table[static_cast<size_t>(std::clamp(linear, 0.0f, 1.0f) * 4096.0f + 0.5f)];
}

// Which source cells make one result cell, and how much of each.
struct Tap {
    int first;
    std::vector<float> weights;
};

std::vector<Tap> tapsFor(int from, int to) {
    std::vector<Tap> taps(static_cast<size_t>(to));
    const double step = static_cast<double>(from) / to;
    const double reach = std::max(step, 1.0) / 2;  // a box when shrinking, a tent one cell wide when growing
    for (int i = 0; i < to; ++i) {
        const double middle = (i + 0.5) * step;
        const int first = std::max(0, static_cast<int>(std::floor(middle - (step > 1 ? reach : 1.0))));
        const int last = std::min(from - 1, static_cast<int>(std::ceil(middle + (step > 1 ? reach : 1.0))));
        Tap& tap = taps[static_cast<size_t>(i)];
        tap.first = first;
        double sum = 0;
        for (int cell = first; cell <= last; ++cell) {
            const double weight =
                step > 1 ? std::max(0.0, std::min(cell + 1.0, middle + reach) - std::max<double>(cell, middle - reach))
                         : std::max(0.0, 1.0 - std::abs(cell + 0.5 - middle));
            tap.weights.push_back(static_cast<float>(weight));
            sum += weight;
        }
        for (float& weight : tap.weights)
            weight = static_cast<float>(weight / sum);
    }
    return taps;
}

using Linear = std::array<float, 4>;  // premultiplied red, green, blue; alpha

Linear linearOf(uint32_t argb) {
    const auto& table = linearTable();
    const float alpha = static_cast<float>(argb >> 24) / 255.0f;
    return {table[argb >> 16 & 255] * alpha, table[argb >> 8 & 255] * alpha, table[argb & 255] * alpha, alpha};
}

uint32_t argbOf(const Linear& v) {
    if (v[3] <= 0.5f / 255)
        return 0;
    const auto alpha = static_cast<uint32_t>(std::lround(std::min(v[3], 1.0f) * 255));
    return alpha << 24 | stored8(v[0] / v[3]) << 16 | stored8(v[1] / v[3]) << 8 | stored8(v[2] / v[3]);
}

uint32_t over(uint32_t top, uint32_t bottom) {
    const uint32_t a = top >> 24;
    uint32_t out = 0xff000000u;
    for (int shift = 0; shift < 24; shift += 8) {
        const uint32_t mixed = ((top >> shift & 255) * a + (bottom >> shift & 255) * (255 - a) + 127) / 255;
        out |= mixed << shift;
    }
    return out;
}

Picture cut(const Picture& from, int x, int y, int w, int h) {
    Picture out = makePicture(w, h);
    for (int row = 0; row < h; ++row)
        for (int column = 0; column < w; ++column)
            out.at(column, row) = from.at(x + column, y + row);
    return out;
}

}  // namespace

PixelSize resultSize(const Recipe& recipe, int w, int h) {
    if (recipe.width == 0 && recipe.height == 0)
        return {w, h};
    const auto follow = [](int known, int along, int across) {
        return std::clamp(static_cast<int>(std::lround(static_cast<double>(known) * across / along)), 1,
                          kMostPanelSide);
    };
    if (recipe.height == 0)
        return {recipe.width, follow(recipe.width, w, h)};
    if (recipe.width == 0)
        return {follow(recipe.height, h, w), recipe.height};
    return {recipe.width, recipe.height};
}

Picture scaled(const Picture& original, int width, int height) {
    if (width == original.width && height == original.height)
        return original;
    const std::vector<Tap> across = tapsFor(original.width, width);
    const std::vector<Tap> down = tapsFor(original.height, height);
    std::vector<Linear> rows(static_cast<size_t>(width) * static_cast<size_t>(original.height));
    std::vector<Linear> line(static_cast<size_t>(original.width));
    for (int y = 0; y < original.height; ++y) {
        for (int x = 0; x < original.width; ++x)
            line[static_cast<size_t>(x)] = linearOf(original.at(x, y));
        for (int x = 0; x < width; ++x) {
            Linear sum{};
            const Tap& tap = across[static_cast<size_t>(x)];
            for (size_t i = 0; i < tap.weights.size(); ++i)
                for (size_t c = 0; c < 4; ++c)
                    sum[c] += tap.weights[i] * line[static_cast<size_t>(tap.first) + i][c];
            rows[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)] = sum;
        }
    }
    Picture out = makePicture(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            Linear sum{};
            const Tap& tap = down[static_cast<size_t>(y)];
            for (size_t i = 0; i < tap.weights.size(); ++i)
                for (size_t c = 0; c < 4; ++c)
                    sum[c] += tap.weights[i] * rows[(static_cast<size_t>(tap.first) + i) *
                                                        static_cast<size_t>(width) + static_cast<size_t>(x)][c];
            out.at(x, y) = argbOf(sum);
        }
    return out;
}

Picture fitted(const Picture& original, const Recipe& recipe) {
    const PixelSize size = resultSize(recipe, original.width, original.height);
    Picture out;
    const double sx = static_cast<double>(size.width) / original.width;
    const double sy = static_cast<double>(size.height) / original.height;
    if (recipe.fit == Fit::Stretch || sx == sy) {
        out = scaled(original, size.width, size.height);
    } else if (recipe.fit == Fit::Cover) {
        const double scale = std::max(sx, sy);
        const int w = std::clamp(static_cast<int>(std::lround(size.width / scale)), 1, original.width);
        const int h = std::clamp(static_cast<int>(std::lround(size.height / scale)), 1, original.height);
        out = scaled(cut(original, (original.width - w) / 2, (original.height - h) / 2, w, h), size.width,
                     size.height);
    } else {
        const double scale = std::min(sx, sy);
        const int w = std::clamp(static_cast<int>(std::lround(original.width * scale)), 1, size.width);
        const int h = std::clamp(static_cast<int>(std::lround(original.height * scale)), 1, size.height);
        const Picture inner = scaled(original, w, h);
        out = makePicture(size.width, size.height);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x)
                out.at(x + (size.width - w) / 2, y + (size.height - h) / 2) = inner.at(x, y);
    }
    if (recipe.background.argb >> 24 != 0)
        for (uint32_t& pixel : out.pixels)
            pixel = over(pixel, recipe.background.argb);
    return out;
}

}  // namespace gorsefinch
