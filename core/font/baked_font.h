// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <memory>
#include <set>

#include "core/font/face_file.h"
#include "core/font/glyph_bits.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

// What a font is made from.
struct FontSource {
    std::vector<std::shared_ptr<const FaceAtSize>> faces;  // the font's own, then its fallbacks
    FontSettings settings;                                 // with the bits decided
    std::map<char32_t, HandGlyph> byHand;                  // only with one bit a pixel
};

// The faces that a font draws from: its own, then its fallbacks. None if its own isn't there.
std::vector<std::string> facesOfFont(const Document& document, const FontKey& key);
// Opens what a font of the document needs: its face and its fallbacks. `defaultBits` are taken where the
// settings leave them to the panel. An error if its own face can't be opened.
Result<FontSource> fontSource(const Document& document, const FontKey& key, int defaultBits);

// What an entry of the settings adds.
std::set<char32_t> charactersOf(const HeldCharacters& held);

// Characters that something needs, with how many things need each.
using CharacterCounts = std::map<char32_t, int>;

// A font as the target holds it. The record's address stays the same while glyphs come and go.
class BakedFont {
  public:
    BakedFont(FontKey key, FontSource source);
    // As it is now, with a record of its own; what was computed for later glyphs is left out.
    BakedFont(const BakedFont& other);
    BakedFont(BakedFont&&) = default;
    BakedFont& operator=(const BakedFont&) = delete;
    BakedFont& operator=(BakedFont&&) = default;

    const FontKey& key() const { return key_; }
    const FontSettings& settings() const { return source_->settings; }
    int bits() const { return source_->settings.bits; }
    const gorse_font* record() const { return &record_; }

    // Other settings, or another face; what is needed stays.
    void adopt(FontSource source);
    void need(const std::set<char32_t>& characters, int by);
    // Makes the record hold just what is needed and held besides. Cheap if nothing changed; true if something did.
    bool bake();

    bool has(char32_t character) const;
    // The number of a character's glyph; 0, the box for missing ones, if it isn't held.
    int glyphOf(char32_t character) const;
    // What its pixels are before they are packed: the face's, or those set by hand.
    GlyphBitmap bitmap(char32_t character) const;
    bool isByHand(char32_t character) const { return bits() == 1 && source_->byHand.count(character) != 0; }
    // What the settings' own entries add: those of them that the faces have.
    const std::set<char32_t>& heldBesides() const { return besides_; }
    const std::set<char32_t>& held() const { return baked_; }
    // Needed characters that no face has.
    std::set<char32_t> missing() const;
    // Characters that found no room: a font holds at most 16 MB of bitmaps and 65,535 glyphs.
    size_t leftOut() const { return leftOut_; }

    int ascent() const { return source_->faces.front()->ascent(); }
    int lineHeight() const { return record_.line_height; }
    int capitals() const { return source_->faces.front()->capitals(); }

    bool isPacked() const { return record_.read == gorse_read_glyph_runs; }
    size_t glyphCount() const { return glyphs_.size(); }
    size_t bytes() const;  // on a 32-bit target
    size_t bitmapBytes(bool packed) const { return packed ? packedBytes_ : plainBytes_; }
    size_t glyphBytes(int number) const;  // of one glyph's bits
    const std::vector<gorse_range>& ranges() const { return ranges_; }
    const std::vector<gorse_glyph>& glyphs() const { return glyphs_; }
    const std::vector<gorse_kern>& kerns() const { return kerns_; }
    const std::vector<uint8_t>& bitsOfGlyphs() const { return bits_; }

  private:
    void settle();
    const FaceAtSize* faceWith(char32_t character) const;
    GlyphBitmap fromFace(char32_t character) const;
    GlyphBitmap missingBox() const;
    int digitWidth() const;
    bool addGlyph(const GlyphBitmap& bitmap, bool packed);
    bool addGlyphs(const std::set<char32_t>& wanted, bool packed);
    void choosePacking(const std::set<char32_t>& wanted);
    void addKerning(const std::vector<char32_t>& characters);
    void fillRecord(bool packed);

    FontKey key_;
    std::shared_ptr<const FontSource> source_;
    CharacterCounts counts_;
    std::set<char32_t> besides_;
    std::set<char32_t> baked_;
    bool everBaked_ = false;
    size_t leftOut_ = 0;
    size_t plainBytes_ = 0, packedBytes_ = 0;
    int digitWidth_ = 0;
    std::map<char32_t, GlyphBitmap> bitmaps_;
    std::map<std::pair<char32_t, char32_t>, int> pairs_;
    std::vector<gorse_range> ranges_;
    std::vector<gorse_glyph> glyphs_;
    std::vector<gorse_kern> kerns_;
    std::vector<uint8_t> bits_;
    gorse_font record_{};
};

using FontRef = std::shared_ptr<const BakedFont>;

}  // namespace gorsefinch
