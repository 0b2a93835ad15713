// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/document/box.h"
#include "core/image/picture.h"

namespace gorsefinch {

// The contrast of two colours: the ratio of their relative luminances, from 1 to 21 (WCAG 2.1, "contrast ratio").
double contrastOf(uint32_t argb, uint32_t other);

// The contrast of what is written in a box against what is really behind it, where it is least: `with` and `without`
// are the same picture with and without texts. 1 if nothing can be seen of them.
double measuredContrast(const Picture& with, const Picture& without, const Box& box);

}  // namespace gorsefinch
