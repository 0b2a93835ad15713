// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/panel_memory.h"

#include <algorithm>
#include <cstring>

#include "core/image/pack.h"

namespace gorsefinch {

PanelMemory::PanelMemory(PixelFormat format, int width, int height)
    : format_(format),
      width_(width),
      height_(height),
      bytes_(static_cast<size_t>(packedBytes(format, width, height))) {}

void PanelMemory::take(int x, int y, int w, int h, const uint8_t* bytes) {
    const bool pages = format_ == PixelFormat::Page1;
    const size_t cell = pages ? 1 : static_cast<size_t>(info(format_).bits) / 8;
    const int unit = pages ? 8 : 1;
    const int inside = std::min(w, width_ - x);
    if (inside <= 0)
        return;
    for (int row = 0; row < h / unit; ++row) {
        const int to = y / unit + row;
        if (to * unit >= height_)
            break;
        std::memcpy(bytes_.data() + (static_cast<size_t>(to) * static_cast<size_t>(width_) + static_cast<size_t>(x)) * cell,
                    bytes + static_cast<size_t>(row) * static_cast<size_t>(w) * cell,
                    static_cast<size_t>(inside) * cell);
    }
}

Picture PanelMemory::picture() const { return unpacked(bytes_, format_, width_, height_); }

}  // namespace gorsefinch
