// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>

namespace gorsefinch {

// Light of a stored value 0 to 255, 0 to 65535 (the sRGB transfer function, IEC 61966-2-1).
const std::array<uint16_t, 256>& lightOfStored();

// The stored value whose light is nearest.
uint8_t storedOfLight(uint32_t light);

}  // namespace gorsefinch
