// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <vector>

#include "core/document/recipe.h"
#include "core/image/picture.h"

namespace gorsefinch {

// One way to hold a picture.
struct Rung {
    PixelFormat format = PixelFormat::Rgb565;
    Reduction reduction = Reduction::Nearest;
    int colours = 0;  // of a palette made from the picture; 0 without one
    friend bool operator==(const Rung&, const Rung&) = default;
};

// What it costs and what it loses.
struct RungResult {
    Rung rung;
    Picture picture;        // as it looks
    size_t plainBytes = 0;  // with its palette, without a mask
    size_t runBytes = 0;    // packed by runs
    int colours = 0;        // that it really shows
    double psnr = 0;        // dB over the three channels; infinite when nothing is lost
    double difference = 0;  // mean distance in OKLab, in hundredths of black to white
};

// Every pixel format for images with its common reductions, from the smallest to the largest. One-bit formats lie in
// rows, or in pages on a panel of pages.
std::vector<Rung> ladderRungs(PixelFormat panel);

// The picture (toned, over its background) on a rung. Other settings of the reduction come from the recipe.
RungResult makeRung(const Picture& picture, const Rung& rung, const Recipe& recipe);

// How far two pictures of one size are apart.
double psnrOf(const Picture& a, const Picture& b);
double colourDifferenceOf(const Picture& a, const Picture& b);

// The recipe with a rung taken: a format that is the panel's own is left to the panel.
Recipe withRung(const Recipe& recipe, const Rung& rung, PixelFormat panel);
// The rung of a recipe.
Rung rungOf(const Recipe& recipe, PixelFormat panel);

}  // namespace gorsefinch
