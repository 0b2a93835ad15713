// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <memory>
#include <vector>

#include "core/image/pack.h"

namespace gorsefinch {

// An image as the target holds it: packed pixels, a mask or both, and the runtime's record of them.
struct BakedImage {
    std::string name;
    int width = 0, height = 0;
    PixelFormat format = PixelFormat::Rgb565;
    int maskBits = 0;                 // 0: opaque
    std::vector<uint8_t> pixels;      // empty: a mask alone
    std::vector<uint8_t> mask;
    gorse_image record{};             // points into this object

    size_t bytes() const { return pixels.size() + mask.size(); }
};

using BakedImageRef = std::shared_ptr<const BakedImage>;

// Applies recipes, and remembers the results by original, recipe and format, so that nothing is computed twice.
class ImageBakery {
  public:
    // The image for a panel of this format; an error names the image's file.
    Result<BakedImageRef> bake(const Image& image, PixelFormat panel);
    // The decoded original, kept as long as this.
    Result<std::shared_ptr<const Picture>> original(const Image& image);

  private:
    struct Entry {
        Bytes original;
        Recipe recipe;
        PixelFormat format;
        std::string name;
        BakedImageRef baked;
    };
    std::map<std::string, Entry> byName_;
    std::map<Bytes, std::shared_ptr<const Picture>> decoded_;
};

}  // namespace gorsefinch
