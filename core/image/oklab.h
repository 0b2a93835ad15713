// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/kinds/value.h"

namespace gorsefinch {

// A colour in the OKLab space (B. Ottosson 2020): lightness 0 to 1, and two axes; equal distances look equally far.
struct Lab {
    float l = 0, a = 0, b = 0;
};

Lab labOf(Colour colour);

// The square of the distance.
inline float labDistance(const Lab& x, const Lab& y) {
    const float l = x.l - y.l, a = x.a - y.a, b = x.b - y.b;
    return l * l + a * a + b * b;
}

}  // namespace gorsefinch
