// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/font_settings.h"

#include <array>

#include "core/document/key_table.h"

namespace gorsefinch {

namespace {

constexpr std::array<std::pair<SizeMeasure, const char*>, 3> measures{{
    {SizeMeasure::Em, "em"},
    {SizeMeasure::Capitals, "capitals"},
    {SizeMeasure::Line, "line"},
}};
constexpr std::array<std::pair<Hinting, const char*>, 5> hintings{{
    {Hinting::Default, "default"},
    {Hinting::None, "none"},
    {Hinting::Light, "light"},
    {Hinting::Full, "full"},
    {Hinting::Default, "usual"},  // in earlier files
}};
constexpr std::array<std::pair<GlyphPacking, const char*>, 3> glyphPackingKeys{{
    {GlyphPacking::Plain, "plain"},
    {GlyphPacking::Runs, "runs"},
    {GlyphPacking::Smallest, "smallest"},
}};

}  // namespace

const char* toKey(SizeMeasure measure) { return keyOf<SizeMeasure>(measures, measure); }
const char* toKey(Hinting hinting) { return keyOf<Hinting>(hintings, hinting); }
const char* toKey(GlyphPacking packing) { return keyOf<GlyphPacking>(glyphPackingKeys, packing); }
std::optional<SizeMeasure> sizeMeasureByKey(std::string_view key) { return valueOfKey<SizeMeasure>(measures, key); }
std::optional<Hinting> hintingByKey(std::string_view key) { return valueOfKey<Hinting>(hintings, key); }
std::optional<GlyphPacking> glyphPackingByKey(std::string_view key) {
    return valueOfKey<GlyphPacking>(glyphPackingKeys, key);
}

}  // namespace gorsefinch
