// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/glyph_picture.h"

#include "core/image/levels.h"

namespace gorsefinch::app {

namespace {

void put(QImage& image, const GlyphBitmap& glyph, int left, int top, int bits, const QColor& ink) {
    for (int y = 0; y < glyph.height; ++y)
        for (int x = 0; x < glyph.width; ++x) {
            const size_t at = static_cast<size_t>(y) * static_cast<size_t>(glyph.width) + static_cast<size_t>(x);
            const uint32_t value = valueOf(levelOf(glyph.coverage[at], bits), bits);
            if (value != 0 && image.valid(left + x, top + y))
                image.setPixelColor(left + x, top + y,
                                    QColor(ink.red(), ink.green(), ink.blue(), static_cast<int>(value)));
        }
}

}  // namespace

QImage glyphPicture(const BakedFont& font, char32_t character, const QColor& ink) {
    const GlyphBitmap glyph = font.bitmap(character);
    QImage out(std::max(glyph.width, 1), std::max(glyph.height, 1), QImage::Format_ARGB32);
    out.fill(Qt::transparent);
    put(out, glyph, 0, 0, font.bits(), ink);
    return out;
}

QImage wordPicture(const BakedFont& font, const std::u32string& word, const QColor& ink) {
    int width = 0;
    for (const char32_t each : word)
        width += font.bitmap(each).advance;
    QImage out(std::max(width + 2, 1), std::max(font.lineHeight(), 1), QImage::Format_ARGB32);
    out.fill(Qt::transparent);
    int pen = 1;
    for (const char32_t each : word) {
        const GlyphBitmap glyph = font.bitmap(each);
        put(out, glyph, pen + glyph.left, font.ascent() - glyph.rise, font.bits(), ink);
        pen += glyph.advance;
    }
    return out;
}

}  // namespace gorsefinch::app
