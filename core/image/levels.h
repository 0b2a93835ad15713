// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

namespace gorsefinch {

// A channel of 8 bits as the nearest of 2^bits levels, and back as the nearest of 256.
constexpr uint32_t levelOf(uint32_t value8, int bits) {
    const uint32_t top = (1u << bits) - 1u;
    return (value8 * top * 2 + 255) / 510;
}
constexpr uint32_t valueOf(uint32_t level, int bits) {
    const uint32_t top = (1u << bits) - 1u;
    return (level * 510 + top) / (2 * top);
}

// The luma of a colour, 0 to 255 (ITU-R BT.601, as the runtime weighs it).
constexpr uint32_t greyOf(uint32_t argb) {
    return ((argb >> 16 & 255) * 77 + (argb >> 8 & 255) * 150 + (argb & 255) * 29 + 128) >> 8;
}

// Red on top, each channel the nearest; the same products as the runtime takes, and they fit 16 bits.
constexpr uint16_t word565(uint32_t argb) {
    const auto red = static_cast<uint16_t>((argb >> 16 & 255) * 249u + 1014u);
    const auto green = static_cast<uint16_t>((argb >> 8 & 255) * 253u + 505u);
    const auto blue = static_cast<uint16_t>((argb & 255) * 249u + 1014u);
    return static_cast<uint16_t>((red & 0xf800u) | (green >> 10) << 5 | blue >> 11);
}

}  // namespace gorsefinch
