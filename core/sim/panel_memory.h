// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "core/document/pixel_format.h"
#include "core/image/picture.h"

namespace gorsefinch {

// What a panel's controller keeps: the bytes that were flushed to it, packed as the format says.
class PanelMemory {
  public:
    PanelMemory() = default;
    // width and height in the panel's own orientation. The palette is that of an indexed format.
    PanelMemory(PixelFormat format, int width, int height, std::vector<Colour> palette = {});

    // Takes w x h pixels at x, y; what lies outside is dropped. For page formats y and h are multiples of 8; where
    // several pixels share a byte, x begins one.
    void take(int x, int y, int w, int h, const uint8_t* bytes);

    PixelFormat format() const { return format_; }
    int width() const { return width_; }
    int height() const { return height_; }
    const std::vector<uint8_t>& bytes() const { return bytes_; }
    Picture picture() const;

  private:
    PixelFormat format_ = PixelFormat::Rgb565;
    int width_ = 0, height_ = 0;
    std::vector<Colour> palette_;
    std::vector<uint8_t> bytes_;
};

}  // namespace gorsefinch
