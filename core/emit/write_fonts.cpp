// SPDX-License-Identifier: GPL-3.0-or-later
// Fonts as C.
#include <cstdio>
#include <set>

#include "core/emit/c_text.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

std::string imageSymbol(const Document& document, const std::string& image, size_t frame) {
    return document.name + "_image_" + image + (frame == 0 ? "" : "_" + std::to_string(frame + 1));
}

std::string fontSymbol(const Document& document, const FontKey& key) {
    return document.name + "_font_" + key.face + "_" + std::to_string(key.size);
}

namespace {

std::string writeFont(const Document& document, const BakedFont& font) {
    const std::string name = fontSymbol(document, font.key());
    std::string out = "\n/* " + font.key().face + ", " + std::to_string(font.key().size) + " px, " +
                      std::to_string(font.bits()) + " bits, " + std::to_string(font.glyphCount()) + " glyphs */\n";
    out += byteArray("static ", name + "_bits", font.bitsOfGlyphs());
    out += "static const GORSE_ROM gorse_glyph " + name + "_glyphs[] = {\n";
    for (const gorse_glyph& g : font.glyphs()) {
        char line[96];
        std::snprintf(line, sizeof line, "    {%u, %u, %u, %u, %d, %u, %u},\n", g.offset_low, g.offset_high, g.width,
                      g.height, g.left, g.top, g.advance);
        out += line;
    }
    out += "};\n";
    if (!font.ranges().empty()) {
        out += "static const GORSE_ROM gorse_range " + name + "_ranges[] = {\n";
        for (const gorse_range& r : font.ranges())
            out += "    {" + longLiteral(r.first) + ", " + std::to_string(r.count) + ", " + std::to_string(r.glyph) +
                   "},\n";
        out += "};\n";
    }
    if (!font.kerns().empty()) {
        out += "static const GORSE_ROM gorse_kern " + name + "_kerns[] = {\n";
        for (const gorse_kern& k : font.kerns())
            out += "    {" + std::to_string(k.left) + ", " + std::to_string(k.right) + ", " + std::to_string(k.by) +
                   "},\n";
        out += "};\n";
    }
    const gorse_font& r = *font.record();
    out += "extern const GORSE_ROM gorse_font " + name + ";\n";
    out += "const GORSE_ROM gorse_font " + name + " = {" + (font.ranges().empty() ? "0" : name + "_ranges") + ", " +
           name + "_glyphs, " + (font.kerns().empty() ? "0" : name + "_kerns") + ", " + name + "_bits, " +
           readerOfGlyphs(font.bits(), font.isPacked()).symbol + ", " + std::to_string(r.range_count) + ", " +
           std::to_string(r.kern_count) + ", " + std::to_string(r.line_height) + ", " +
           std::to_string(r.bits_per_pixel) + ", {0, 0}};\n";
    return out;
}

}  // namespace

std::string writeFonts(const BuiltScene& scene) {
    std::string out = fileHead("The fonts of the interface: just the glyphs that its texts and values need.") +
                      "#include \"gorse/gorse_scene.h\"\n";
    if (scene.fonts.empty())
        return out + "\ntypedef int " + scene.document.name + "_has_no_fonts;\n";
    for (const FontRef& font : scene.fonts)
        out += writeFont(scene.document, *font);
    return out;
}

}  // namespace gorsefinch
