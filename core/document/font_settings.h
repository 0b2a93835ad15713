// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/kinds/property.h"

namespace gorsefinch {

inline constexpr size_t kMaxHeld = 200;  // entries of characters that a font holds besides
inline constexpr int kMaxHandSide = 64;  // pixels of a glyph set by hand

// What a font's size in pixels counts: the face's em, its capital letters, or a whole line.
enum class SizeMeasure { Em, Capitals, Line };

// How outlines are fitted to pixels. Usual: for black and white with one bit a pixel, else light.
enum class Hinting { Default, None, Light, Full };

enum class GlyphPacking { Plain, Runs, Smallest };

// Characters that a font holds beside those that are needed, and where they come from.
struct HeldCharacters {
    enum class From { Text, Block, File };
    From from = From::Text;
    std::string name;        // of the Unicode block, or of the file that was read
    std::string characters;  // UTF-8; of a block none
    friend bool operator==(const HeldCharacters&, const HeldCharacters&) = default;
};

// A glyph whose pixels were set by hand. Rows of '#' and '.', all of one length.
struct HandGlyph {
    int left = 0;     // from the pen to the left edge
    int rise = 0;     // from the baseline up to the top edge
    int advance = 0;  // pixels
    std::vector<std::string> rows;
    friend bool operator==(const HandGlyph&, const HandGlyph&) = default;
};

// How a face becomes glyphs at a size.
struct FontSettings {
    SizeMeasure measure = SizeMeasure::Em;
    int bits = 0;  // a pixel: 1, 2, 4, 8; 0: as suits the panel
    Hinting hinting = Hinting::Default;
    int gamma = 100;          // hundredths, 20 to 500, of the edges: above 100 heavier
    int letter = 0;           // pixels more after each glyph, -16 to 64
    int line = 0;             // pixels more between lines, -64 to 128
    bool evenDigits = false;  // all digits as wide as the widest, without kerning
    std::string fallback;     // the face for characters that this one lacks
    GlyphPacking packing = GlyphPacking::Plain;
    std::vector<HeldCharacters> holds;
    UnknownKeys unknown;
    friend bool operator==(const FontSettings&, const FontSettings&) = default;
};

// A size with settings of its own.
struct FontSize {
    int size = 16;  // pixels, as in looks
    FontSettings settings;
    std::map<char32_t, HandGlyph> byHand;  // used with one bit a pixel
    friend bool operator==(const FontSize&, const FontSize&) = default;
};

// A face at a size: one font of the target.
struct FontKey {
    std::string face;  // the project's name of it
    int size = 0;      // pixels, as in looks
    friend auto operator<=>(const FontKey&, const FontKey&) = default;
};

const char* toKey(SizeMeasure measure);
const char* toKey(Hinting hinting);
const char* toKey(GlyphPacking packing);
std::optional<SizeMeasure> sizeMeasureByKey(std::string_view key);
std::optional<Hinting> hintingByKey(std::string_view key);
std::optional<GlyphPacking> glyphPackingByKey(std::string_view key);

}  // namespace gorsefinch
