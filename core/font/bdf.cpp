// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/bdf.h"

#include <algorithm>
#include <cstdio>

#include "core/base/characters.h"

namespace gorsefinch {

namespace {

struct Bounds {
    int left = 0, right = 0, top = 0, bottom = 0;  // of all glyphs, from the pen on the baseline
    int widest = 0;
    long advances = 0;
    bool even = true;
};

Bounds boundsOf(const std::vector<GlyphBitmap>& glyphs) {
    Bounds out;
    for (const GlyphBitmap& g : glyphs) {
        out.left = std::min(out.left, g.left);
        out.right = std::max(out.right, g.left + g.width);
        out.top = std::max(out.top, g.rise);
        out.bottom = std::min(out.bottom, g.rise - g.height);
        out.even = out.even && g.advance == glyphs.front().advance;
        out.widest = std::max(out.widest, g.advance);
        out.advances += g.advance;
    }
    return out;
}

std::string line(const char* key, int value) { return std::string(key) + " " + std::to_string(value) + "\n"; }

std::string properties(const BakedFont& font, const Bounds& bounds, size_t count) {
    std::string out;
    int lines = 0;
    const auto add = [&](const std::string& text) {
        out += text;
        ++lines;
    };
    add("FAMILY_NAME \"" + font.key().face + "\"\n");
    add(line("PIXEL_SIZE", font.key().size));
    add(line("POINT_SIZE", font.key().size * 10));
    add(line("RESOLUTION_X", 72));
    add(line("RESOLUTION_Y", 72));
    add(std::string("SPACING \"") + (bounds.even ? "C" : "P") + "\"\n");
    add(line("AVERAGE_WIDTH", count == 0 ? 0 : static_cast<int>(bounds.advances * 10 / static_cast<long>(count))));
    add(line("FONT_ASCENT", font.ascent()));
    add(line("FONT_DESCENT", font.lineHeight() - font.ascent()));
    if (font.capitals() > 0)
        add(line("CAP_HEIGHT", font.capitals()));
    add("CHARSET_REGISTRY \"ISO10646\"\n");
    add("CHARSET_ENCODING \"1\"\n");
    return "STARTPROPERTIES " + std::to_string(lines) + "\n" + out + "ENDPROPERTIES\n";
}

void addGlyph(std::string& out, char32_t character, const GlyphBitmap& g, int size, int bits) {
    char head[200];
    std::snprintf(head, sizeof head, "STARTCHAR %s\nENCODING %u\nSWIDTH %d 0\nDWIDTH %d 0\nBBX %d %d %d %d\nBITMAP\n",
                  characterCode(character).c_str(), static_cast<unsigned>(character),
                  g.advance * 1000 / std::max(size, 1), g.advance, g.width, g.height, g.left, g.rise - g.height);
    out += head;
    for (int y = 0; y < g.height; ++y) {
        const auto row = g.coverage.begin() + static_cast<std::ptrdiff_t>(y) * g.width;
        for (const uint8_t byte : packCoverage({row, row + g.width}, bits)) {
            std::snprintf(head, sizeof head, "%02X", byte);
            out += head;
        }
        out += '\n';
    }
    out += "ENDCHAR\n";
}

}  // namespace

std::string writeBdf(const BakedFont& font) {
    std::vector<GlyphBitmap> glyphs;
    for (const char32_t character : font.held())
        glyphs.push_back(font.bitmap(character));
    const Bounds bounds = boundsOf(glyphs);
    const int size = font.key().size;
    const std::string pixels = std::to_string(size), bits = font.bits() == 1 ? "" : " " + std::to_string(font.bits());
    std::string out = "STARTFONT 2.1\nFONT -misc-" + font.key().face + "-medium-r-normal--" + pixels + "-" +
                      std::to_string(size * 10) + "-72-72-" + (bounds.even ? "c" : "p") + "-" +
                      std::to_string(glyphs.empty() ? 0 : bounds.advances * 10 / static_cast<long>(glyphs.size())) +
                      "-iso10646-1\nSIZE " + pixels + " 72 72" + bits + "\n";
    out += "FONTBOUNDINGBOX " + std::to_string(bounds.right - bounds.left) + " " +
           std::to_string(bounds.top - bounds.bottom) + " " + std::to_string(bounds.left) + " " +
           std::to_string(bounds.bottom) + "\n";
    out += properties(font, bounds, glyphs.size());
    out += "CHARS " + std::to_string(glyphs.size()) + "\n";
    size_t at = 0;
    for (const char32_t character : font.held())
        addGlyph(out, character, glyphs[at++], size, font.bits());
    return out + "ENDFONT\n";
}

}  // namespace gorsefinch
