// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "core/document/recipe.h"

namespace gorsefinch {

// A square of thresholds that repeats over the picture: each number from 0 to side * side - 1 once.
struct ThresholdMap {
    int side = 1;
    std::vector<uint16_t> order{0};

    // 0 to 255 at a pixel, evenly spread and never quite either end.
    int at(int x, int y) const {
        const auto count = static_cast<int>(order.size());
        const auto cell =
            static_cast<size_t>(y & (side - 1)) * static_cast<size_t>(side) + static_cast<size_t>(x & (side - 1));
        return (order[cell] * 2 + 1) * 128 / count;
    }
};

// Bayer's index matrix (1973) of 4x4 or 8x8, or blue noise of 64x64 by void and cluster (Ulichney 1993), made when
// first requested. Other methods have no map: the single threshold.
const ThresholdMap& thresholdMap(Reduction method);

}  // namespace gorsefinch
