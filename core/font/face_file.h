// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/project/document.h"

namespace gorsefinch {

// One character's bitmap. `coverage` has width x height values from 0 to 255.
struct GlyphBitmap {
    int width = 0, height = 0;
    int left = 0;     // from the pen to the left edge
    int rise = 0;     // from the baseline up to the top edge
    int advance = 0;  // pixels
    std::vector<uint8_t> coverage;
};

// A face at one size in pixels of its em, ready to give bitmaps. With one bit a pixel the outlines are hinted for
// black and white.
class FaceAtSize {
  public:
    virtual ~FaceAtSize() = default;
    virtual int ascent() const = 0;      // pixels above the baseline
    virtual int lineHeight() const = 0;
    virtual bool has(char32_t character) const = 0;
    // Empty for a character that the face lacks.
    virtual GlyphBitmap glyph(char32_t character) const = 0;
    // Pixels to move the pen between two characters, from the face's kerning (GPOS or kern).
    virtual int kerning(char32_t left, char32_t right) const = 0;
};

// Opens a TTF or OTF. An error names `file` when the bytes are no face.
Result<std::shared_ptr<const FaceAtSize>> openFace(Bytes bytes, const std::string& file, int size, int bits);

// The family and style that a face names itself by, for showing; an error if the bytes are no face.
Result<std::string> faceTitle(const std::string& bytes, const std::string& file);

}  // namespace gorsefinch
