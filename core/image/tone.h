// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/document/recipe.h"
#include "core/image/picture.h"

namespace gorsefinch {

// The picture with the recipe's brightness, contrast, gamma, inversion and background. Alpha stays where the
// background is none.
Picture toned(Picture picture, const Recipe& recipe);

}  // namespace gorsefinch
