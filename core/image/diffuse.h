// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "core/image/level_steps.h"
#include "core/image/nearest_colour.h"
#include "core/image/reduce.h"

namespace gorsefinch {

// Error diffusion by Floyd and Steinberg (1976: 7, 3, 5, 1 sixteenths) or Atkinson (an eighth to each of six
// neighbours, a quarter is lost). Rows run to and fro so that errors don't lean to one side. Strength in per cent
// scales what is passed on.

// The level of each pixel's grey.
std::vector<uint8_t> diffusedGreys(const Picture& p, const LevelSteps& steps, Reduction method, int strength);

// The number of each pixel's palette entry.
std::vector<uint8_t> diffusedPalette(const Picture& p, const NearestColour& palette, bool linear, Reduction method,
                                     int strength);

// The representable colours of a format of separate channels, opaque.
Picture diffusedChannels(const Picture& p, const Reducing& how);

}  // namespace gorsefinch
