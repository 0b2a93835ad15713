// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/export_font.h"

#include <algorithm>

#include "core/font/bdf.h"
#include "core/image/levels.h"
#include "core/image/pack.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

// Sixteen cells a row, the box for missing characters first.
Picture glyphSheet(const BakedFont& font) {
    int wide = 8, high = font.lineHeight();
    for (const char32_t character : font.held())
        wide = std::max(wide, font.bitmap(character).width);
    const int cell = std::max(wide, high) + 4;
    constexpr int columns = 16;
    const int rows = static_cast<int>((font.held().size() + columns - 1) / columns);
    Picture sheet = makePicture(cell * columns, cell * std::max(rows, 1), 0xff000000u);
    int number = 0;
    for (const char32_t character : font.held()) {
        const GlyphBitmap g = font.bitmap(character);
        const int left = number % columns * cell + 2, top = number / columns * cell + 2 + font.ascent() - g.rise;
        ++number;
        for (int y = 0; y < g.height; ++y)
            for (int x = 0; x < g.width; ++x) {
                const uint32_t value = valueOf(
                    levelOf(g.coverage[static_cast<size_t>(y) * static_cast<size_t>(g.width) + static_cast<size_t>(x)],
                            font.bits()),
                    font.bits());
                if (left + x < sheet.width && top + y >= 0 && top + y < sheet.height && value != 0)
                    sheet.at(left + x, top + y) = 0xff000000u | value * 0x010101u;
            }
    }
    return sheet;
}

}  // namespace

Result<std::string> exportFont(const BakedFont& font, const std::string& ending) {
    if (ending == ".c") {
        Document document;
        document.name = "face";
        BuiltScene scene;
        scene.document = document;
        scene.fonts.push_back(std::make_shared<const BakedFont>(font));
        return writeFonts(scene);
    }
    if (ending == ".png")
        return encodePng(glyphSheet(font));
    if (ending == ".bdf")
        return writeBdf(font);
    return failure("", "", "a file ending in \"" + ending + "\" can't be written", "Use .c, .bdf or .png");
}

}  // namespace gorsefinch
