// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/project/value.h"

namespace gorsefinch {

// A picture in memory: 0xAARRGGBB a pixel, not premultiplied, rows without gaps.
struct Picture {
    int width = 0, height = 0;
    std::vector<uint32_t> pixels;

    uint32_t at(int x, int y) const {
        return pixels[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)];
    }
    uint32_t& at(int x, int y) {
        return pixels[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)];
    }
    bool hasAlpha() const;
};

Picture makePicture(int width, int height, uint32_t argb = 0);

// The most pixels that an original may have: 64 megapixels.
inline constexpr int64_t kMostPixels = int64_t{64} << 20;

// Decodes PNG, JPEG, BMP or the first frame of a GIF, found by content. `file` is only for messages. Truncated and
// broken pictures, and those above kMostPixels, give an error.
Result<Picture> decodePicture(const std::string& bytes, const std::string& file);

// The file bytes of a PNG.
std::string encodePng(const Picture& picture);

}  // namespace gorsefinch
