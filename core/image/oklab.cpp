// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/oklab.h"

#include <cmath>

#include "core/image/light.h"

namespace gorsefinch {

Lab labOf(Colour colour) {
    const auto light = [&](int shift) {
        return static_cast<float>(lightOfStored()[colour.argb >> shift & 255]) / 65535.0f;
    };
    const float red = light(16), green = light(8), blue = light(0);
    const float l = std::cbrt(0.4122214708f * red + 0.5363325363f * green + 0.0514459929f * blue);
    const float m = std::cbrt(0.2119034982f * red + 0.6806995451f * green + 0.1073969566f * blue);
    const float s = std::cbrt(0.0883024619f * red + 0.2817188376f * green + 0.6299787005f * blue);
    return {0.2104542553f * l + 0.7936177850f * m - 0.0040720468f * s,
            1.9779984951f * l - 2.4285922050f * m + 0.4505937099f * s,
            0.0259040371f * l + 0.7827717662f * m - 0.8086757660f * s};
}

}  // namespace gorsefinch
