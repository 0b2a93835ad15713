// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cassert>
#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "core/base/progress.h"
#include "core/base/result.h"

namespace gorsefinch {

// A picture in memory: 0xAARRGGBB a pixel, not premultiplied, rows without gaps.
struct Picture {
    int width = 0, height = 0;
    std::vector<uint32_t> pixels;

    uint32_t at(int x, int y) const { return pixels[index(x, y)]; }
    uint32_t& at(int x, int y) { return pixels[index(x, y)]; }
    bool hasAlpha() const;

  private:
    size_t index(int x, int y) const {
        assert(x >= 0 && x < width && y >= 0 && y < height);
        return static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x);
    }
};

Picture makePicture(int width, int height, uint32_t argb = 0);

// Maximum pixels of an original, all its frames together: 64 megapixels.
inline constexpr int64_t kMaxPixels = int64_t{64} << 20;

// The endings of files that decodeOriginal() reads, as a file dialog takes them.
inline constexpr const char* kPicturePatterns = "*.png *.jpg *.jpeg *.bmp *.gif *.webp *.svg *.pbm *.pgm *.ppm *.xbm";

// An original: its frames, all of one size, and how long each is shown.
struct Original {
    std::vector<Picture> frames;  // at least one
    std::vector<int> ms;          // of each; 0 where it stands still
    bool drawing = false;         // made of shapes: sharp at any size (SVG)

    int width() const { return frames.front().width; }
    int height() const { return frames.front().height; }
};

// Decodes PNG, JPEG, BMP, GIF, WebP, SVG, PBM, PGM, PPM or XBM, found by content, with all frames. `file` is only for
// messages. A drawing is made `drawingScale` times as large as it says, as far as kMaxPixels allows. Truncated and
// broken pictures, and those above the limits, give an error. Progress follows the bytes that were read.
Result<Original> decodeOriginal(std::string_view bytes, const std::string& file, double drawingScale = 1,
                                const OnProgress& progress = {});

// Pixels of a frame as the file's header states them, without decoding; 0 if it states none, is cut off or is a
// drawing that decodeOriginal() refuses to draw.
int64_t declaredPixels(std::string_view bytes);

// The first frame alone.
Result<Picture> decodePicture(std::string_view bytes, const std::string& file);

// The file bytes of a PNG.
std::string encodePng(const Picture& picture);

// The file bytes of "bmp", "pgm", "pbm" or "xbm"; nothing for another format. What is transparent becomes black. PBM
// and XBM have one bit a pixel, light from a grey of 128 on, in their own sense: a set bit is a dark pixel.
std::optional<std::string> encodePicture(const Picture& picture, const std::string& format,
                                         const std::string& name = "image");

}  // namespace gorsefinch
