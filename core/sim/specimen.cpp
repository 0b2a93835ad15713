// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/specimen.h"

#include "core/edits/font_edits.h"
#include "core/rules/lexer.h"
#include "core/sim/twin.h"

namespace gorsefinch {

namespace {

// The panel's pixels without its turn and offsets, as large as asked; whole bytes on panels that pack pixels.
Panel specimenPanel(const Panel& from, const SpecimenAsk& ask) {
    Panel panel = from;
    panel.width = std::clamp((ask.width + 7) / 8 * 8, kLeastPanelSide, kMostPanelSide);
    panel.height = std::clamp((ask.height + 7) / 8 * 8, kLeastPanelSide, kMostPanelSide);
    panel.turn = 0;
    panel.mirrorX = panel.mirrorY = panel.invert = panel.swapRedBlue = false;
    panel.columnOffset = panel.rowOffset = 0;
    return panel;
}

}  // namespace

Picture specimen(const Document& document, const SpecimenAsk& ask) {
    Document sample;
    sample.name = document.name;
    sample.faces = document.faces;
    sample.panel = std::make_shared<const Panel>(specimenPanel(*document.panel, ask));
    Widget words;
    words.name = "specimen";
    words.kind = Kind::Text;
    words.w = sample.panel->width;
    words.h = sample.panel->height;
    words.properties["text"] = plainText(ask.text);
    words.properties["font"] = ask.font.face;
    words.properties["size"] = int64_t{ask.font.size};
    words.properties["colour"] = ask.ink;
    words.properties["padding"] = int64_t{3};
    words.properties["place"] = std::string("top");
    words.properties["wrap"] = ask.wrap;
    Screen screen;
    screen.name = "specimen";
    screen.background = ask.ground;
    screen.widgets.push_back(std::make_shared<const Widget>(std::move(words)));
    sample.screens = {std::make_shared<const Screen>(std::move(screen))};
    SceneBuilder builder;
    return drawScreen(*builder.build(sample), 0).picture();
}

FontRung climbFont(const Document& document, const FontKey& font, int size, int bits, const std::set<char32_t>& characters, SpecimenAsk sample) {
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
