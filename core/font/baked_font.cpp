// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/baked_font.h"

#include <algorithm>

#include "core/image/pack.h"

namespace gorsefinch {

std::vector<uint8_t> packCoverage(const std::vector<uint8_t>& coverage, int bits) {
    std::vector<uint8_t> out((coverage.size() * static_cast<size_t>(bits) + 7) / 8);
    for (size_t i = 0; i < coverage.size(); ++i) {
        const size_t bit = i * static_cast<size_t>(bits);
        out[bit / 8] |=
            static_cast<uint8_t>(levelOf(coverage[i], bits) << (8 - static_cast<size_t>(bits) - bit % 8));
    }
    return out;
}

BakedFont::BakedFont(FontKey key, std::shared_ptr<const FaceAtSize> face)
    : key_(std::move(key)), face_(std::move(face)) {}

void BakedFont::need(const std::set<char32_t>& characters, int by) {
    for (const char32_t character : characters) {
        int& count = counts_[character];
        count += by;
        if (count <= 0)
            counts_.erase(character);
    }
}

GlyphBitmap BakedFont::missingBox() const {
    GlyphBitmap box;
    box.height = std::clamp(face_->ascent() * 7 / 10, 3, 200);
    box.width = std::max(box.height * 6 / 10, 3);
    box.rise = box.height;
    box.left = 1;
    box.advance = box.width + 2;
    for (int y = 0; y < box.height; ++y)
        for (int x = 0; x < box.width; ++x)
            box.coverage.push_back(x == 0 || y == 0 || x == box.width - 1 || y == box.height - 1 ? 255 : 0);
    return box;
}

void BakedFont::addGlyph(const GlyphBitmap& bitmap) {
    gorse_glyph glyph{};
    const size_t offset = bits_.size();
    glyph.offset_low = static_cast<uint16_t>(offset);
    glyph.offset_high = static_cast<uint8_t>(offset >> 16);
    glyph.width = static_cast<uint8_t>(bitmap.width);
    glyph.height = static_cast<uint8_t>(bitmap.height);
    glyph.left = static_cast<int8_t>(std::clamp(bitmap.left, -128, 127));
    glyph.top = static_cast<uint8_t>(std::clamp(face_->ascent() - bitmap.rise + GORSE_TOP_BIAS, 0, 255));
    glyph.advance = static_cast<uint8_t>(std::clamp(bitmap.advance, 0, 255));
    glyphs_.push_back(glyph);
    const std::vector<uint8_t> packedBits = packCoverage(bitmap.coverage, key_.bits);
    bits_.insert(bits_.end(), packedBits.begin(), packedBits.end());
}

void BakedFont::addKerning(const std::vector<char32_t>& characters) {
    for (size_t left = 0; left < characters.size(); ++left)
        for (size_t right = 0; right < characters.size(); ++right) {
            const auto pair = std::pair(characters[left], characters[right]);
            auto known = pairs_.find(pair);
            if (known == pairs_.end())
                known = pairs_.emplace(pair, face_->kerning(pair.first, pair.second)).first;
            if (known->second != 0)
                kerns_.push_back({static_cast<uint16_t>(left + 1), static_cast<uint16_t>(right + 1),
                                  static_cast<int16_t>(known->second)});
        }
}

bool BakedFont::bake() {
    std::set<char32_t> wanted;
    for (const auto& [character, count] : counts_)
        if (face_->has(character))
            wanted.insert(character);
    if (everBaked_ && wanted == baked_)
        return false;
    everBaked_ = true;
    baked_ = wanted;
    ranges_.clear();
    glyphs_.clear();
    kerns_.clear();
    bits_.clear();
    addGlyph(missingBox());
    const std::vector<char32_t> characters(wanted.begin(), wanted.end());
    for (const char32_t character : characters) {
        auto known = bitmaps_.find(character);
        if (known == bitmaps_.end())
            known = bitmaps_.emplace(character, face_->glyph(character)).first;
        if (!ranges_.empty() && ranges_.back().first + ranges_.back().count == character)
            ++ranges_.back().count;
        else
            ranges_.push_back({character, 1, static_cast<uint16_t>(glyphs_.size())});
        addGlyph(known->second);
    }
    addKerning(characters);
    record_.ranges = ranges_.data();
    record_.glyphs = glyphs_.data();
    record_.kerns = kerns_.empty() ? nullptr : kerns_.data();
    record_.bits = bits_.data();
    record_.range_count = static_cast<uint16_t>(ranges_.size());
    record_.kern_count = static_cast<uint16_t>(kerns_.size());
    record_.line_height = static_cast<uint8_t>(face_->lineHeight());
    record_.bits_per_pixel = static_cast<uint8_t>(key_.bits);
    return true;
}

size_t BakedFont::bytes() const {
    // As a 32-bit target lays them out: range 8, glyph 8, kern 6, and the record.
    return ranges_.size() * 8 + glyphs_.size() * 8 + kerns_.size() * 6 + bits_.size() + 24;
}

}  // namespace gorsefinch
