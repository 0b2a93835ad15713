// SPDX-License-Identifier: GPL-3.0-or-later
// Any bytes as a face, at sizes and settings that the last byte chooses: glyphs within a record's limits, or an error.
#include "core/emit/export_font.h"
#include "core/font/baked_font.h"
#include "core/font/face_facts.h"
#include "tests/fuzz/fuzz.h"

using namespace gorsefinch;

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    if (size < 2)
        return 0;
    const std::string bytes = fuzz::text(data, size);
    Face face;
    face.name = "any";
    face.file = "any";
    face.original = std::make_shared<const FileContents>(bytes);
    (void)faceFacts(face.original, "fonts/any");
    face.defaults.bits = 1 << (data[size - 1] & 3);
    face.defaults.measure = static_cast<SizeMeasure>((data[size - 1] >> 2 & 3) % 3);
    face.defaults.evenDigits = (data[size - 1] & 16) != 0;
    face.defaults.packing = (data[size - 1] & 32) != 0 ? GlyphPacking::Smallest : GlyphPacking::Plain;
    Document document;
    document.faces = std::make_shared<std::vector<Face>>(std::vector<Face>{face});
    const FontKey key{"any", (data[size - 1] & 64) != 0 ? 40 : 9};
    auto source = fontSource(document, key, 4);
    if (!source)
        return 0;
    std::set<char32_t> some;
    for (const char32_t each : source->faces.front()->characters())
        if (some.size() < 40)
            some.insert(each);
    BakedFont baked(key, std::move(*source));
    baked.need(some, 1);
    baked.bake();
    fuzz::expect(baked.glyphs().size() == baked.glyphCount());
    for (const char32_t each : some) {
        const GlyphBitmap glyph = baked.bitmap(each);
        fuzz::expect(glyph.width >= 0 && glyph.width <= 255 && glyph.height >= 0 && glyph.height <= 255 &&
                     glyph.coverage.size() == static_cast<size_t>(glyph.width) * static_cast<size_t>(glyph.height));
    }
    (void)exportFont(baked, ".bdf");
    return 0;
}
