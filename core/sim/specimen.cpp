// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/specimen.h"

#include "core/edits/font_edits.h"
#include "core/rules/lexer.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch {

namespace {

// The panel's pixels without its turn and offsets, as large as requested; whole bytes on panels that pack pixels.
Panel specimenPanel(const Panel& from, const SpecimenRequest& request) {
    Panel panel = from;
    panel.width = std::clamp((request.width + 7) / 8 * 8, kMinPanelSide, kMaxPanelSide);
    panel.height = std::clamp((request.height + 7) / 8 * 8, kMinPanelSide, kMaxPanelSide);
    panel.turn = 0;
    panel.mirrorX = panel.mirrorY = panel.invert = panel.swapRedBlue = false;
    panel.columnOffset = panel.rowOffset = 0;
    return panel;
}

}  // namespace

Picture specimen(const Document& document, const SpecimenRequest& request) {
    Document sample;
    sample.name = document.name;
    sample.faces = document.faces;
    sample.panel = std::make_shared<const Panel>(specimenPanel(*document.panel, request));
    Widget words;
    words.name = "specimen";
    words.kind = Kind::Text;
    words.w = sample.panel->width;
    words.h = sample.panel->height;
    words.properties["text"] = plainText(request.text);
    words.properties["font"] = request.font.face;
    words.properties["size"] = int64_t{request.font.size};
    words.properties["colour"] = request.ink;
    words.properties["padding"] = int64_t{3};
    words.properties["place"] = std::string("top");
    words.properties["wrap"] = request.wrap;
    Screen screen;
    screen.name = "specimen";
    screen.background = request.ground;
    screen.widgets.push_back(std::make_shared<const Widget>(std::move(words)));
    sample.screens = {std::make_shared<const Screen>(std::move(screen))};
    SceneBuilder builder;
    return drawScreen(*builder.build(sample), 0).picture();
}

FontRung makeFontRung(const Document& document, const FontKey& font, int size, int bits,
                      const std::set<char32_t>& characters, SpecimenRequest sample) {
    FontRung out;
    out.size = size;
    out.bits = bits;
    const Face* face = document.face(font.face);
    if (!face)
        return out;
    FontSettings settings = face->settings(font.size);
    settings.bits = bits;
    const FontKey key{font.face, size};
    const Document other = withFontSettings(document, key, settings);
    for (const bool packed : {false, true}) {
        settings.packing = packed ? GlyphPacking::Runs : GlyphPacking::Plain;
        auto source = fontSource(withFontSettings(document, key, settings), key, bits);
        if (!source)
            return out;
        BakedFont baked(key, std::move(*source));
        baked.need(characters, 1);
        baked.bake();
        (packed ? out.packedBytes : out.plainBytes) = baked.bytes();
    }
    sample.font = key;
    out.sample = specimen(other, sample);
    return out;
}

}  // namespace gorsefinch
