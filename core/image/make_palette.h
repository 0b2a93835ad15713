// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <vector>

#include "core/image/picture.h"
#include "core/kinds/value.h"

namespace gorsefinch {

// At most `count` (2 to 256) colours that stand for the pictures' opaque and half-transparent pixels, from dark to
// light: just their colours if there are no more, else median cut refined by k-means in the OKLab space (B. Ottosson
// 2020), where equal distances look equally far. Transparent pictures give black.
std::vector<Colour> makePalette(std::span<const Picture* const> pictures, int count);

}  // namespace gorsefinch
