// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/tone.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace gorsefinch {

namespace {

// Contrast turns about the middle, from flat at -100 to five times as steep at 100; brightness then shifts; gamma
// bends what results.
std::array<uint8_t, 256> curveOf(const Recipe& recipe) {
    std::array<uint8_t, 256> out;
    const double steepness = recipe.contrast <= 0 ? 1 + recipe.contrast / 100.0 : 1 + recipe.contrast / 25.0;
    for (size_t i = 0; i < out.size(); ++i) {
        double v = (static_cast<double>(i) / 255 - 0.5) * steepness + 0.5 + recipe.brightness / 100.0;
        v = std::pow(std::clamp(v, 0.0, 1.0), 100.0 / std::max(recipe.gamma, 1));
        out[i] = static_cast<uint8_t>(std::lround(255 * (recipe.inverted ? 1 - v : v)));
    }
    return out;
}

uint32_t over(uint32_t top, uint32_t bottom) {
    const uint32_t a = top >> 24;
    uint32_t out = 0xff000000u;
    for (int shift = 0; shift < 24; shift += 8)
        out |= ((top >> shift & 255) * a + (bottom >> shift & 255) * (255 - a) + 127) / 255 << shift;
    return out;
}

}  // namespace

Picture toned(Picture picture, const Recipe& recipe) {
    if (recipe.brightness != 0 || recipe.contrast != 0 || recipe.gamma != 100 || recipe.inverted) {
        const std::array<uint8_t, 256> curve = curveOf(recipe);
        for (uint32_t& pixel : picture.pixels)
            pixel = (pixel & 0xff000000u) | uint32_t{curve[pixel >> 16 & 255]} << 16 |
                    uint32_t{curve[pixel >> 8 & 255]} << 8 | curve[pixel & 255];
    }
    if (recipe.background.argb >> 24 != 0)
        for (uint32_t& pixel : picture.pixels)
            pixel = over(pixel, recipe.background.argb);
    return picture;
}

}  // namespace gorsefinch
