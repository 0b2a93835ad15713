// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/panel_memory.h"

#include <algorithm>
#include <cstring>

#include "core/image/pack.h"

namespace gorsefinch {

PanelMemory::PanelMemory(PixelFormat format, int width, int height, std::vector<Colour> palette)
    : format_(format),
      width_(width),
      height_(height),
      palette_(std::move(palette)),
      bytes_(static_cast<size_t>(packedBytes(format, width, height))) {}

void PanelMemory::take(int x, int y, int w, int h, const uint8_t* bytes) {
    const PixelFormatInfo& f = info(format_);
    const int unit = f.layout == PixelLayout::Pages ? 8 : 1;
    const size_t stride = static_cast<size_t>(packedRowBytes(format_, width_));
    const size_t rowBytes = static_cast<size_t>(packedRowBytes(format_, w));
    const size_t first = static_cast<size_t>(packedRowBytes(format_, x));
    if (first >= stride)
        return;
    for (int row = 0; row < h / unit; ++row) {
        const size_t to = static_cast<size_t>(y / unit + row) * stride + first;
        if (to + 1 > bytes_.size())
            break;
        std::memcpy(bytes_.data() + to, bytes + static_cast<size_t>(row) * rowBytes,
                    std::min({rowBytes, stride - first, bytes_.size() - to}));
    }
}

Picture PanelMemory::picture() const { return unpacked(bytes_, format_, width_, height_, palette_); }

}  // namespace gorsefinch
