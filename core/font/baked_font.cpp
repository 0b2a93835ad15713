// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/baked_font.h"

#include <algorithm>
#include <cassert>
#include <cmath>

#include "core/font/unicode_blocks.h"
#include "core/rules/text_compiler.h"

namespace gorsefinch {

namespace {

constexpr size_t kMaxBits = 0xffffff;  // what a glyph's offset can say
constexpr size_t kMaxGlyphs = 65000;
constexpr size_t kMaxKerned = 1500;  // characters whose pairs are looked up

bool isAsciiDigit(char32_t character) { return character >= U'0' && character <= U'9'; }

// Heavier or lighter edges.
void weigh(std::vector<uint8_t>& coverage, int gamma) {
    if (gamma == 100)
        return;
    uint8_t table[256];
    for (int i = 0; i < 256; ++i)
        table[i] = static_cast<uint8_t>(std::lround(255 * std::pow(i / 255.0, 100.0 / gamma)));
    for (uint8_t& each : coverage)
        each = table[each];
}

GlyphBitmap fromRows(const HandGlyph& glyph) {
    GlyphBitmap out;
    out.height = static_cast<int>(glyph.rows.size());
    out.width = glyph.rows.empty() ? 0 : static_cast<int>(glyph.rows.front().size());
    out.left = glyph.left;
    out.rise = glyph.rise;
    out.advance = glyph.advance;
    for (const std::string& row : glyph.rows)
        for (const char pixel : row)
            out.coverage.push_back(pixel == '#' ? 255 : 0);
    return out;
}

}  // namespace

std::set<char32_t> charactersOf(const HeldCharacters& held) {
    return held.from == HeldCharacters::From::Block ? charactersOfBlock(held.name) : charactersOf(held.characters);
}

BakedFont::BakedFont(FontKey key, FontSource source)
    : key_(std::move(key)), source_(std::make_shared<const FontSource>(std::move(source))) {
    settle();
}

BakedFont::BakedFont(const BakedFont& other)
    : key_(other.key_),
      source_(other.source_),
      counts_(other.counts_),
      besides_(other.besides_),
      baked_(other.baked_),
      everBaked_(other.everBaked_),
      leftOut_(other.leftOut_),
      plainBytes_(other.plainBytes_),
      packedBytes_(other.packedBytes_),
      digitWidth_(other.digitWidth_),
      ranges_(other.ranges_),
      glyphs_(other.glyphs_),
      kerns_(other.kerns_),
      bits_(other.bits_) {
    if (everBaked_)
        fillRecord(other.isPacked());
}

void BakedFont::adopt(FontSource source) {
    source_ = std::make_shared<const FontSource>(std::move(source));
    bitmaps_.clear();
    pairs_.clear();
    everBaked_ = false;
    settle();
}

void BakedFont::settle() {
    digitWidth_ = digitWidth();
    besides_.clear();
    for (const HeldCharacters& each : source_->settings.holds)
        for (const char32_t character : charactersOf(each))
            if (has(character))
                besides_.insert(character);
}

void BakedFont::need(const std::set<char32_t>& characters, int by) {
    for (const char32_t character : characters) {
        int& count = counts_[character];
        count += by;
        if (count <= 0)
            counts_.erase(character);
    }
}

const FaceAtSize* BakedFont::faceWith(char32_t character) const {
    for (const auto& face : source_->faces)
        if (face->has(character))
            return face.get();
    return nullptr;
}

bool BakedFont::has(char32_t character) const { return faceWith(character) || isByHand(character); }

int BakedFont::glyphOf(char32_t character) const {
    for (const gorse_range& range : ranges_)
        if (character >= range.first && character - range.first < range.count)
            return range.glyph + static_cast<int>(character - range.first);
    return 0;
}

int BakedFont::digitWidth() const {
    int widest = 0;
    for (char32_t digit = U'0'; source_->settings.evenDigits && digit <= U'9'; ++digit)
        if (const FaceAtSize* face = faceWith(digit))
            widest = std::max(widest, face->glyph(digit).advance);
    return widest;
}

GlyphBitmap BakedFont::fromFace(char32_t character) const {
    const FaceAtSize* face = faceWith(character);
    if (!face)
        return {};
    GlyphBitmap out = face->glyph(character);
    if (bits() > 1)
        weigh(out.coverage, source_->settings.gamma);
    if (isAsciiDigit(character) && digitWidth_ > 0) {
        // What is over goes to both sides.
        out.left += (digitWidth_ - out.advance) / 2;
        out.advance = digitWidth_;
    }
    return out;
}

GlyphBitmap BakedFont::bitmap(char32_t character) const {
    GlyphBitmap out = isByHand(character) ? fromRows(source_->byHand.at(character)) : fromFace(character);
    out.advance += source_->settings.letter;
    return out;
}

std::set<char32_t> BakedFont::missing() const {
    std::set<char32_t> out;
    for (const auto& [character, count] : counts_)
        if (character >= 32 && !has(character))
            out.insert(character);
    return out;
}

GlyphBitmap BakedFont::missingBox() const {
    GlyphBitmap box;
    box.height = std::clamp(ascent() * 7 / 10, 3, 200);
    box.width = std::max(box.height * 6 / 10, 3);
    box.rise = box.height;
    box.left = 1;
    box.advance = box.width + 2 + source_->settings.letter;
    for (int y = 0; y < box.height; ++y)
        for (int x = 0; x < box.width; ++x)
            box.coverage.push_back(x == 0 || y == 0 || x == box.width - 1 || y == box.height - 1 ? 255 : 0);
    return box;
}

bool BakedFont::addGlyph(const GlyphBitmap& bitmap, bool packed) {
    const size_t offset = bits_.size();
    const std::vector<uint8_t> all =
        packed ? packCoverageRuns(bitmap.coverage, bits()) : packCoverage(bitmap.coverage, bits());
    if (offset + all.size() > kMaxBits || glyphs_.size() >= kMaxGlyphs)
        return false;
    assert(bitmap.coverage.size() == static_cast<size_t>(bitmap.width) * static_cast<size_t>(bitmap.height));
    assert(bitmap.width >= 0 && bitmap.width <= 255 && bitmap.height >= 0 && bitmap.height <= 255);
    gorse_glyph glyph{};
    glyph.offset_low = static_cast<uint16_t>(offset);
    glyph.offset_high = static_cast<uint8_t>(offset >> 16);
    glyph.width = static_cast<uint8_t>(bitmap.width);
    glyph.height = static_cast<uint8_t>(bitmap.height);
    glyph.left = static_cast<int8_t>(std::clamp(bitmap.left, -128, 127));
    glyph.top = static_cast<uint8_t>(std::clamp(ascent() - bitmap.rise + GORSE_TOP_BIAS, 0, 255));
    glyph.advance = static_cast<uint8_t>(std::clamp(bitmap.advance, 0, 255));
    glyphs_.push_back(glyph);
    bits_.insert(bits_.end(), all.begin(), all.end());
    return true;
}

bool BakedFont::addGlyphs(const std::set<char32_t>& wanted, bool packed) {
    ranges_.clear();
    glyphs_.clear();
    bits_.clear();
    leftOut_ = 0;
    addGlyph(missingBox(), packed);
    for (const char32_t character : wanted) {
        auto known = bitmaps_.find(character);
        if (known == bitmaps_.end())
            known = bitmaps_.emplace(character, bitmap(character)).first;
        const auto number = static_cast<uint16_t>(glyphs_.size());
        // After the first without room no other comes, so that numbers follow the characters' order.
        if (leftOut_ > 0 || !addGlyph(known->second, packed)) {
            ++leftOut_;
            continue;
        }
        if (!ranges_.empty() && ranges_.back().first + ranges_.back().count == character)
            ++ranges_.back().count;
        else
            ranges_.push_back({character, 1, number});
    }
    return leftOut_ == 0;
}

// Leaves the chosen way in place; both are measured.
void BakedFont::choosePacking(const std::set<char32_t>& wanted) {
    addGlyphs(wanted, true);
    packedBytes_ = bits_.size();
    std::vector<gorse_glyph> glyphs = std::move(glyphs_);
    std::vector<uint8_t> packed = std::move(bits_);
    const size_t leftOutPacked = leftOut_;
    std::vector<gorse_range> ranges = std::move(ranges_);
    addGlyphs(wanted, false);
    plainBytes_ = bits_.size();
    const GlyphPacking packing = source_->settings.packing;
    const bool runs =
        packing == GlyphPacking::Runs || (packing == GlyphPacking::Smallest && packedBytes_ < plainBytes_);
    if (runs) {
        glyphs_ = std::move(glyphs);
        bits_ = std::move(packed);
        ranges_ = std::move(ranges);
        leftOut_ = leftOutPacked;
    }
    fillRecord(runs);
}

void BakedFont::addKerning(const std::vector<char32_t>& characters) {
    kerns_.clear();
    const size_t count = std::min(characters.size(), kMaxKerned);
    for (size_t left = 0; left < count; ++left) {
        const FaceAtSize* face = faceWith(characters[left]);
        std::vector<char32_t> fresh;
        for (size_t right = 0; right < count; ++right)
            if (faceWith(characters[right]) == face &&
                pairs_.find({characters[left], characters[right]}) == pairs_.end())
                fresh.push_back(characters[right]);
        if (face && !fresh.empty()) {
            const std::vector<int> by = face->kerning(characters[left], fresh);
            for (size_t i = 0; i < fresh.size(); ++i)
                pairs_.emplace(std::pair(characters[left], fresh[i]), by[i]);
        }
        for (size_t right = 0; right < count; ++right) {
            const auto known = pairs_.find({characters[left], characters[right]});
            const bool still = digitWidth_ > 0 && (isAsciiDigit(characters[left]) || isAsciiDigit(characters[right]));
            if (known != pairs_.end() && known->second != 0 && !still)
                kerns_.push_back({static_cast<uint16_t>(left + 1), static_cast<uint16_t>(right + 1),
                                  static_cast<int16_t>(known->second)});
        }
    }
}

void BakedFont::fillRecord(bool packed) {
    assert(ranges_.empty() || ranges_.back().glyph + ranges_.back().count == static_cast<int>(glyphs_.size()));
    record_.ranges = ranges_.data();
    record_.glyphs = glyphs_.data();
    record_.kerns = kerns_.empty() ? nullptr : kerns_.data();
    record_.bits = bits_.data();
    record_.read = readerOfGlyphs(bits(), packed).function;
    record_.range_count = static_cast<uint16_t>(ranges_.size());
    record_.kern_count = static_cast<uint16_t>(kerns_.size());
    record_.line_height =
        static_cast<uint8_t>(std::clamp(source_->faces.front()->lineHeight() + source_->settings.line, 1, 255));
    record_.bits_per_pixel = static_cast<uint8_t>(bits());
}

bool BakedFont::bake() {
    std::set<char32_t> wanted = besides_;
    for (const auto& [character, count] : counts_)
        if (has(character))
            wanted.insert(character);
    if (everBaked_ && wanted == baked_)
        return false;
    everBaked_ = true;
    baked_ = wanted;
    std::erase_if(bitmaps_, [&](const auto& each) { return wanted.count(each.first) == 0; });
    const std::vector<char32_t> characters(wanted.begin(), wanted.end());
    addKerning(characters);
    choosePacking(wanted);
    return true;
}

size_t BakedFont::glyphBytes(int number) const {
    const auto offset = [&](size_t at) {
        return at < glyphs_.size() ? static_cast<size_t>(glyphs_[at].offset_high) << 16 | glyphs_[at].offset_low
                                   : bits_.size();
    };
    return offset(static_cast<size_t>(number) + 1) - offset(static_cast<size_t>(number));
}

size_t BakedFont::bytes() const {
    // As a 32-bit target lays them out: range 8, glyph 8, kern 6, and the record.
    return ranges_.size() * 8 + glyphs_.size() * 8 + kerns_.size() * 6 + bits_.size() + 28;
}

}  // namespace gorsefinch
