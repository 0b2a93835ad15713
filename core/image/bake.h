// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/image/baked_image.h"
#include "core/image/reduce.h"

namespace gorsefinch {

// What baking needs to know beside the recipe.
struct BakeTarget {
    PixelFormat panel = PixelFormat::Rgb565;
    std::vector<Colour> panelPalette;
    PixelFormat format = PixelFormat::Rgb565;  // of the image
    std::vector<Colour> palette;               // of the image, if indexed
};

// The last steps of a recipe, on frames in its shape, each with its time: tone, reduction, packing, records. Null when
// it was cancelled.
BakedImageRef bakeFrames(const Recipe& recipe, const std::vector<Picture>& shaped, const std::vector<int>& ms,
                         const BakeTarget& target, const OnProgress& progress = {});

// A toned frame's colours by the recipe, before they are packed.
Reduced reducedFrame(const Picture& toned, const Recipe& recipe, PixelFormat format,
                     const std::vector<Colour>& palette);

}  // namespace gorsefinch
