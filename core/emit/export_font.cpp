// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/export_font.h"

#include <algorithm>

#include "core/image/pack.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

Picture glyphSheet(const BakedFont& font) {
    const int cell = std::max(8, font.record()->line_height + 4);
    const int columns = 16;
    const int rows = static_cast<int>((font.glyphCount() + columns - 1) / columns);
    Picture sheet = makePicture(cell * columns, cell * rows, 0xff000000u);
    const int bits = font.key().bits;
    for (size_t i = 0; i < font.glyphCount(); ++i) {
        const gorse_glyph& g = font.glyphs()[i];
        const size_t offset = (static_cast<size_t>(g.offset_high) << 16 | g.offset_low) * 8;
        for (int y = 0; y < g.height; ++y)
            for (int x = 0; x < g.width; ++x) {
                const size_t bit = offset + static_cast<size_t>(y * g.width + x) * static_cast<size_t>(bits);
                const uint32_t level =
                    font.bits()[bit / 8] >> (8 - static_cast<size_t>(bits) - bit % 8) & ((1u << bits) - 1u);
                const int sx = static_cast<int>(i % columns) * cell + 2 + x;
                const int sy = static_cast<int>(i / columns) * cell + 2 + g.top - GORSE_TOP_BIAS + y;
                if (sx < sheet.width && sy >= 0 && sy < sheet.height)
                    sheet.at(sx, sy) = 0xff000000u | valueOf(level, bits) * 0x010101u;
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
        scene.fonts.push_back(const_cast<BakedFont*>(&font));
        return writeFonts(scene);
    }
    if (ending == ".png")
        return encodePng(glyphSheet(font));
    return failure("", "", "a file ending in \"" + ending + "\" can't be written", "Use .c or .png");
}

}  // namespace gorsefinch
