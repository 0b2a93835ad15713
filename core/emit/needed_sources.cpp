// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <set>

#include "core/emit/firmware_functions.h"
#include "core/emit/runtime_sources.h"

namespace gorsefinch {

namespace {

// Files that only some scenes need.
bool isOptional(std::string_view name) {
    for (const std::string_view prefix :
         {"gorse_kind_", "gorse_format_", "gorse_image_", "gorse_turn_", "gorse_reader_", "gorse_palette",
          "gorse_motion", "gorse_stored_image", "gorse_glyph_", "gorse_paint_squares", "gorse_code_extended",
          "gorse_expand_extended", "gorse_latch", "gorse_input"})
        if (name.starts_with(prefix) && name.ends_with(".c"))
            return true;
    return name == "gorse_latch.h";
}

void addImageSources(const BakedImage& image, std::set<std::string>& chosen) {
    const PixelFormatInfo& format = info(image.format);
    const BakedFrame& frame = image.frames.front();
    if (frame.record.format)
        chosen.insert(format.imageSymbol.source);
    if (frame.record.source)
        chosen.insert("gorse_stored_image.c");
    if (frame.source.convert)
        chosen.insert(format.convertSymbol.source);
    if (frame.source.reader)
        chosen.insert(std::string(readerName(image)) + ".c");
}

}  // namespace

const char* readerName(const BakedImage& image) {
    if (image.outside)
        return image.packedByRuns() ? "gorse_reader_outside_runs" : "gorse_reader_outside";
    return image.packedByRuns() ? "gorse_reader_runs" : "";
}

std::vector<std::string> neededSources(const BuiltScene& scene) {
    std::set<std::string> chosen;
    const PixelFormatInfo& format = info(scene.document.panel->format);
    chosen.insert(format.panelSymbol.source);
    if (scene.document.panel->touch)
        chosen.insert("gorse_input.c");
    const std::vector<Variable>& variables = *scene.document.variables;
    if (std::any_of(variables.begin(), variables.end(), isLatched))
        chosen.insert({"gorse_latch.c", "gorse_latch.h"});
    if (scene.scene.motion)
        chosen.insert("gorse_motion.c");
    if (format.hasPalette())
        chosen.insert("gorse_palette.c");
    if (scene.panel.turn)
        chosen.insert(turnOf(format.format).symbol.source);
    std::set<const RuntimeKind*> kinds;
    for (const auto& part : scene.parts)
        kinds.insert(part->kinds.begin(), part->kinds.end());
    for (const RuntimeKind* each : kinds)
        chosen.insert(each->source);
    if (scene.scene.extended)
        chosen.insert("gorse_code_extended.c");
    if (scene.scene.forms)
        chosen.insert("gorse_expand_extended.c");
    if (scene.panel.paint == gorse_paint_squares)
        chosen.insert("gorse_paint_squares.c");
    for (const FontRef& font : scene.fonts)
        chosen.insert(readerOfGlyphs(font->bits(), font->isPacked()).source);
    for (const ImageUse& use : scene.images)
        addImageSources(*use.image, chosen);
    std::vector<std::string> out;
    for (const RuntimeSource& source : runtimeSources())
        if (!isOptional(source.name) || chosen.count(std::string(source.name)) != 0)
            out.emplace_back(source.name);
    return out;
}

}  // namespace gorsefinch
