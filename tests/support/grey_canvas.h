// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "runtime/gorse_draw.h"

namespace support {

// A picture of grey pixels that the runtime draws on.
class GreyCanvas {
  public:
    GreyCanvas(int width, int height, uint8_t ground = 0)
        : width_(width), height_(height), pixels_(static_cast<size_t>(width) * static_cast<size_t>(height), ground) {}

    // To draw with, inside `clip`; all of it where none is told.
    gorse_canvas canvas(gorse_rect clip) {
        gorse_canvas c{};
        c.strip.pixels = pixels_.data();
        c.strip.stride = static_cast<uint32_t>(width_);
        c.strip.w = static_cast<uint16_t>(width_);
        c.strip.h = static_cast<uint16_t>(height_);
        c.clip = clip;
        c.format = &gorse_format_grey8;
        return c;
    }
    gorse_canvas canvas() { return canvas({0, 0, width_, height_}); }

    uint8_t at(int x, int y) const {
        return pixels_[static_cast<size_t>(y) * static_cast<size_t>(width_) + static_cast<size_t>(x)];
    }
    const std::vector<uint8_t>& pixels() const { return pixels_; }
    int width() const { return width_; }
    int height() const { return height_; }

  private:
    int width_, height_;
    std::vector<uint8_t> pixels_;
};

}  // namespace support
