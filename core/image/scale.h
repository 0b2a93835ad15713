// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/image/picture.h"
#include "core/project/document.h"

namespace gorsefinch {

// The size in pixels that a recipe gives an original of w x h: a side of 0 follows the other by the aspect, both 0
// keep the original's.
struct PixelSize {
    int width, height;
};
PixelSize resultSize(const Recipe& recipe, int w, int h);

// Scaled by area averaging when smaller and bilinear when larger, in linear light with premultiplied alpha.
Picture scaled(const Picture& original, int width, int height);

// The original cut, scaled and put on its background as the recipe says; not yet reduced. With a background of
// "none" the alpha stays.
Picture fitted(const Picture& original, const Recipe& recipe);

}  // namespace gorsefinch
