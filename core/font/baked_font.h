// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>
#include <map>
#include <memory>
#include <set>

#include "core/font/face_file.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

// A face at a size in a depth: one font of the target.
struct FontKey {
    std::string face;  // the project's name of it
    int size = 0;      // pixels of the em
    int bits = 4;      // a pixel
    friend auto operator<=>(const FontKey&, const FontKey&) = default;
};

// Characters that something needs, with how many things need each.
using CharacterCounts = std::map<char32_t, int>;

// A font as the target holds it. The record's address stays the same while glyphs come and go, so looks may point
// to it.
class BakedFont {
  public:
    BakedFont(FontKey key, std::shared_ptr<const FaceAtSize> face);

    const FontKey& key() const { return key_; }
    const gorse_font* record() const { return &record_; }

    void need(const std::set<char32_t>& characters, int by);
    // Makes the record hold just what is needed. Cheap if nothing changed; true if something did.
    bool bake();

    bool has(char32_t character) const { return face_->has(character); }
    size_t glyphCount() const { return glyphs_.size(); }
    size_t bytes() const;
    const std::vector<gorse_range>& ranges() const { return ranges_; }
    const std::vector<gorse_glyph>& glyphs() const { return glyphs_; }
    const std::vector<gorse_kern>& kerns() const { return kerns_; }
    const std::vector<uint8_t>& bits() const { return bits_; }

  private:
    void addGlyph(const GlyphBitmap& bitmap);
    GlyphBitmap missingBox() const;
    void addKerning(const std::vector<char32_t>& characters);

    FontKey key_;
    std::shared_ptr<const FaceAtSize> face_;
    CharacterCounts counts_;
    std::set<char32_t> baked_;
    bool everBaked_ = false;
    std::map<char32_t, GlyphBitmap> bitmaps_;
    std::map<std::pair<char32_t, char32_t>, int> pairs_;
    std::vector<gorse_range> ranges_;
    std::vector<gorse_glyph> glyphs_;
    std::vector<gorse_kern> kerns_;
    std::vector<uint8_t> bits_;
    gorse_font record_{};
};

// Bits of coverage packed as glyphs are: rows without gaps, leftmost pixel in the highest bits.
std::vector<uint8_t> packCoverage(const std::vector<uint8_t>& coverage, int bits);

}  // namespace gorsefinch
