// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/oklab.h"

#include <bit>
#include <cstdint>

#include "core/image/light.h"

namespace gorsefinch {

namespace {

// The cube root of 0 to 1 to about 1e-6: a first guess from the exponent, then three steps by Newton. Several times
// faster than the library's, and palettes need many.
float cubeRoot(float x) {
    float root = std::bit_cast<float>(std::bit_cast<uint32_t>(x) / 3 + 709921077u);
    for (int i = 0; i < 3; ++i)
        root = (2.0f * root + x / (root * root)) / 3.0f;
    return root;
}

}  // namespace

Lab labOf(Colour colour) {
    const auto light = [&](int shift) {
        return static_cast<float>(lightOfStored()[colour.argb >> shift & 255]) / 65535.0f;
    };
    const float red = light(16), green = light(8), blue = light(0);
    const float l = cubeRoot(0.4122214708f * red + 0.5363325363f * green + 0.0514459929f * blue);
    const float m = cubeRoot(0.2119034982f * red + 0.6806995451f * green + 0.1073969566f * blue);
    const float s = cubeRoot(0.0883024619f * red + 0.2817188376f * green + 0.6299787005f * blue);
    return {0.2104542553f * l + 0.7936177850f * m - 0.0040720468f * s,
            1.9779984951f * l - 2.4285922050f * m + 0.4505937099f * s,
            0.0259040371f * l + 0.7827717662f * m - 0.8086757660f * s};
}

}  // namespace gorsefinch
