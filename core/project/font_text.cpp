// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/font_text.h"

#include <algorithm>

#include "core/base/characters.h"
#include "core/project/recipe_text.h"

namespace gorsefinch {

namespace {

Json settingsJson(const FontSettings& s) {
    Json out = Json::object();
    putUnless(out, "measure", std::string(toKey(s.measure)), std::string(toKey(SizeMeasure::Em)));
    putUnless(out, "bits", s.bits, 0);
    putUnless(out, "hinting", std::string(toKey(s.hinting)), std::string(toKey(Hinting::Default)));
    putUnless(out, "gamma", s.gamma, 100);
    putUnless(out, "letter_distance", s.letter, 0);
    putUnless(out, "line_distance", s.line, 0);
    putUnless(out, "even_digits", s.evenDigits, false);
    putUnless(out, "fallback", s.fallback, std::string());
    putUnless(out, "packing", std::string(toKey(s.packing)), std::string(toKey(GlyphPacking::Plain)));
    for (const HeldCharacters& each : s.holds) {
        Json one = Json::object();
        if (each.from != HeldCharacters::From::Text)
            one[each.from == HeldCharacters::From::Block ? "block" : "file"] = each.name;
        if (each.from != HeldCharacters::From::Block)
            one["characters"] = each.characters;
        out["holds"].push_back(one);
    }
    appendUnknown(out, s.unknown);
    return out;
}

Json handGlyphJson(char32_t character, const HandGlyph& glyph) {
    Json out;
    out["character"] = characterCode(character);
    out["left"] = glyph.left;
    out["rise"] = glyph.rise;
    out["advance"] = glyph.advance;
    out["rows"] = glyph.rows;
    return out;
}

void readHolds(JsonObject& object, FontSettings& settings, const std::string& file, const std::string& place,
               Problems& problems) {
    const Json& all = object.array("holds");
    for (size_t i = 0; i < std::min(all.size(), kMaxHeld); ++i) {
        JsonObject one(all[i], file, place + ".holds[" + std::to_string(i) + "]", problems);
        HeldCharacters held;
        held.from = one.has("block")  ? HeldCharacters::From::Block
                    : one.has("file") ? HeldCharacters::From::File
                                      : HeldCharacters::From::Text;
        if (held.from != HeldCharacters::From::Text)
            held.name = one.text(held.from == HeldCharacters::From::Block ? "block" : "file", "", 200);
        if (held.from != HeldCharacters::From::Block)
            held.characters = one.text("characters", "", 100000);
        settings.holds.push_back(std::move(held));
    }
}

FontSettings readSettings(JsonObject& object, const std::string& file, const std::string& place, Problems& problems) {
    const auto whole = [&](const char* key, int otherwise, int min, int max) {
        return static_cast<int>(object.whole(key, otherwise, min, max));
    };
    FontSettings s;
    s.measure = object.choice<SizeMeasure>("measure", s.measure, sizeMeasureByKey);
    s.bits = whole("bits", 0, 0, 8);
    if (s.bits != 0 && s.bits != 1 && s.bits != 2 && s.bits != 4 && s.bits != 8) {
        object.problem("bits", "a glyph has 1, 2, 4 or 8 bits a pixel", "Correct the number");
        s.bits = 0;
    }
    s.hinting = object.choice<Hinting>("hinting", s.hinting, hintingByKey);
    s.gamma = whole("gamma", 100, 20, 500);
    s.letter = whole("letter_distance", 0, -16, 64);
    s.line = whole("line_distance", 0, -64, 128);
    s.evenDigits = object.yesNo("even_digits", false);
    s.fallback = object.text("fallback");
    s.packing = object.choice<GlyphPacking>("packing", s.packing, glyphPackingByKey);
    readHolds(object, s, file, place, problems);
    return s;
}

// A glyph drawn in rows; nothing, and a problem, if the rows are not of one length or hold other signs.
std::optional<HandGlyph> readHandGlyph(JsonObject& object) {
    HandGlyph glyph;
    glyph.left = static_cast<int>(object.whole("left", 0, -128, 127));
    glyph.rise = static_cast<int>(object.whole("rise", 0, -128, 255));
    glyph.advance = static_cast<int>(object.whole("advance", 0, 0, 255));
    const Json& rows = object.array("rows");
    bool good = rows.size() <= static_cast<size_t>(kMaxHandSide);
    for (size_t i = 0; good && i < rows.size(); ++i) {
        const std::string row = rows[i].is_string() ? rows[i].get<std::string>() : "?";
        good = row.find_first_not_of("#.") == std::string::npos && row.size() <= static_cast<size_t>(kMaxHandSide) &&
               (i == 0 || row.size() == glyph.rows.front().size());
        glyph.rows.push_back(row);
    }
    if (good)
        return glyph;
    object.problem("rows", "a glyph's rows hold # and . and have one length, at most " + std::to_string(kMaxHandSide),
                   "Correct the rows");
    return std::nullopt;
}

FontSize readSize(const Json& json, const std::string& file, const std::string& place, Problems& problems) {
    JsonObject object(json, file, place, problems);
    FontSize out;
    out.size = static_cast<int>(object.whole("size", out.size, kMinFontSize, kMaxFontSize));
    out.settings = readSettings(object, file, place, problems);
    const Json& glyphs = object.array("glyphs");
    for (size_t i = 0; i < std::min<size_t>(glyphs.size(), 5000); ++i) {
        JsonObject one(glyphs[i], file, place + ".glyphs[" + std::to_string(i) + "]", problems);
        const auto character = characterFromCode(one.text("character"));
        if (!character)
            one.problem("character", "a character is written as U+0041", "Correct it");
        if (const auto glyph = readHandGlyph(one); glyph && character)
            out.byHand[*character] = *glyph;
    }
    out.settings.unknown = object.unknown();
    return out;
}

}  // namespace

void putFontSettings(Json& object, const Face& face) {
    putUnless(object, "variant", face.variant, std::string());
    if (const Json defaults = settingsJson(face.defaults); !defaults.empty())
        object["defaults"] = defaults;
    for (const FontSize& each : face.sizes) {
        Json size;
        size["size"] = each.size;
        size.update(settingsJson(each.settings));
        for (const auto& [character, glyph] : each.byHand)
            size["glyphs"].push_back(handGlyphJson(character, glyph));
        object["sizes"].push_back(size);
    }
}

void readFontSettings(JsonObject& object, Face& face, const std::string& file, const std::string& place,
                      Problems& problems) {
    face.variant = object.text("variant", "", 200);
    const char* key = object.either("defaults", "usual");
    JsonObject defaults(object.object(key), file, place + "." + key, problems);
    face.defaults = readSettings(defaults, file, place + "." + key, problems);
    face.defaults.unknown = defaults.unknown();
    // Characters as earlier files wrote them.
    if (const std::string also = object.text("also_holds"); !also.empty())
        face.defaults.holds.push_back({HeldCharacters::From::Text, "", also});
    const Json& sizes = object.array("sizes");
    for (size_t i = 0; i < std::min<size_t>(sizes.size(), kMaxFontSize); ++i) {
        FontSize size = readSize(sizes[i], file, place + ".sizes[" + std::to_string(i) + "]", problems);
        const bool again =
            std::any_of(face.sizes.begin(), face.sizes.end(), [&](const FontSize& s) { return s.size == size.size; });
        if (again)
            object.problem("sizes", "the size " + std::to_string(size.size) + " is there twice", "Take one out");
        else
            face.sizes.push_back(std::move(size));
    }
}

}  // namespace gorsefinch
