// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "core/image/picture.h"
#include "core/image/pixel_format.h"
#include "core/project/document.h"

namespace gorsefinch {

// A channel of 8 bits as the nearest of 2^bits levels, and back as the nearest of 256.
uint32_t levelOf(uint32_t value8, int bits);
uint32_t valueOf(uint32_t level, int bits);

// The luma of a colour, 0 to 255 (ITU-R BT.601, as the runtime weighs it).
uint32_t greyOf(uint32_t argb);

// The picture with every pixel one that the format can hold. Alpha stays. Masks reduce the alpha alone.
Picture reduced(const Picture& picture, PixelFormat format, Reduction how);

// Packed bytes as DESIGN 6 lays them out. Pixels that the format can't hold become the nearest; a mask takes the
// picture's alpha.
std::vector<uint8_t> packed(const Picture& picture, PixelFormat format);

// The other way: the picture that packed bytes show. `bytes` must have packedBytes() of them, else empty.
Picture unpacked(const std::vector<uint8_t>& bytes, PixelFormat format, int width, int height);

}  // namespace gorsefinch
