// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "core/document/recipe.h"
#include "core/image/picture.h"

namespace gorsefinch {

// How a picture's colours become those of a format.
struct Reducing {
    PixelFormat format = PixelFormat::Rgb565;
    Reduction method = Reduction::Nearest;
    int strength = 100;                // per cent
    bool linear = false;               // in linear light, else as stored
    int threshold = 128;               // of one-bit greys, 1 to 255
    std::vector<Colour> palette = {};  // of indexed formats; empty takes the default one
};

// A picture of only such pixels as its format can hold. Alpha is not part of it.
struct Reduced {
    PixelFormat format = PixelFormat::Rgb565;
    int width = 0, height = 0;
    std::vector<uint8_t> numbers;  // of formats of at most 8 bits: the number of each pixel
    Picture wide;                  // of the others
    std::vector<Colour> palette;   // of indexed formats

    // As it shows, opaque.
    Picture picture() const;
    // Packed as DESIGN 6 lays it out.
    std::vector<uint8_t> bytes() const;
};

// Masks take the picture's alpha; all else its colours, whatever their alpha.
Reduced reduce(const Picture& picture, const Reducing& how);

}  // namespace gorsefinch
