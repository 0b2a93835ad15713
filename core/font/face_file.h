// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/document/document.h"

namespace gorsefinch {

// One character's bitmap. `coverage` has width x height values from 0 to 255.
struct GlyphBitmap {
    int width = 0, height = 0;
    int left = 0;     // from the pen to the left edge
    int rise = 0;     // from the baseline up to the top edge
    int advance = 0;  // pixels
    std::vector<uint8_t> coverage;
};

// A face at one size, ready to give bitmaps.
class FaceAtSize {
  public:
    virtual ~FaceAtSize() = default;
    virtual int ascent() const = 0;  // pixels above the baseline
    virtual int lineHeight() const = 0;
    virtual int capitals() const = 0;  // pixel rows of an H above the baseline; 0 without one
    virtual bool has(char32_t character) const = 0;
    // Empty for a character that the face lacks.
    virtual GlyphBitmap glyph(char32_t character) const = 0;
    // Pixels to move the pen between `left` and each of the others, from the face's kerning (GPOS or kern).
    virtual std::vector<int> kerning(char32_t left, const std::vector<char32_t>& others) const = 0;
    // All characters that the face has, in order, at most 65,536.
    virtual std::vector<char32_t> characters() const = 0;
};

// What of the settings decides the bitmaps.
struct FaceRequest {
    int size = 16;  // pixels of what `measure` says
    int bits = 4;   // a pixel
    SizeMeasure measure = SizeMeasure::Em;
    Hinting hinting = Hinting::Default;
    std::string variant = {};
};

// Opens a TTF, OTF, BDF or PCF. Bitmap faces take their nearest size that is not larger, enlarged by whole numbers.
// An error names `file` when the bytes are no face.
Result<std::shared_ptr<const FaceAtSize>> openFace(Bytes bytes, const std::string& file, const FaceRequest& request);

}  // namespace gorsefinch
