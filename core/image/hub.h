// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "core/image/picture.h"

namespace gorsefinch {

// A point in the picture, in pixels from its top left: whole ones are between pixels, halves in the middle of one.
struct TurningPoint {
    double x = 0, y = 0;
    friend bool operator==(const TurningPoint&, const TurningPoint&) = default;
};

// The middle of the largest disc that lies on what is opaque, to half a pixel: the hub of a needle. Nothing for a
// picture without any opaque pixel. Distances are exact, by the lower envelope of parabolas in each row and column
// (Felzenszwalb and Huttenlocher, Distance Transforms of Sampled Functions).
std::optional<TurningPoint> findHub(const Picture& picture);

}  // namespace gorsefinch
