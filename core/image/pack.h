// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <span>
#include <vector>

#include "core/document/pixel_format.h"
#include "core/image/levels.h"
#include "core/image/picture.h"

namespace gorsefinch {

// Packed bytes as DESIGN 6 lays them out. Pixels that the format can't hold become the nearest; a mask takes the
// picture's alpha. `palette` is that of an indexed format, at most as many colours as it counts; empty takes the
// default one.
std::vector<uint8_t> packed(const Picture& picture, PixelFormat format, std::span<const Colour> palette = {});
// The same into room of packedBytes(); what the room holds before does not matter.
void packInto(std::span<uint8_t> room, const Picture& picture, PixelFormat format,
              std::span<const Colour> palette = {});

// The other way: the picture that packed bytes show. `bytes` must have packedBytes() of them, else empty.
Picture unpacked(std::span<const uint8_t> bytes, PixelFormat format, int width, int height,
                 std::span<const Colour> palette = {});

// What each number of a format of at most 8 bits shows; those beyond the format are empty.
std::array<uint32_t, 256> coloursOfNumbers(PixelFormat format, std::span<const Colour> palette);

// The packed bytes of a format of at most 8 bits, from the number of each pixel; width x height of them.
std::vector<uint8_t> packedNumbers(std::span<const uint8_t> numbers, PixelFormat format, int width, int height);

// A colour as a panel of a format has it in the row form that the runtime copies from: a byte below 8 bits, else the
// packed bytes.
std::vector<uint8_t> rowForm(Colour colour, PixelFormat format, std::span<const Colour> panelPalette = {});

}  // namespace gorsefinch
