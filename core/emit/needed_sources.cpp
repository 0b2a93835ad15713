// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/document/panel_keys.h"
#include "core/emit/firmware_functions.h"
#include "core/emit/runtime_sources.h"
#include "core/emit/runtime_symbols.h"
#include "runtime/gorse_fade.h"

namespace gorsefinch {

namespace {

// Files that only some scenes need.
bool isOptional(std::string_view name) {
    for (const std::string_view prefix :
         {"gorse_kind_",         "gorse_format_",       "gorse_image_",        "gorse_turn_",
          "gorse_reader_",       "gorse_palette",       "gorse_motion",        "gorse_stored_image",
          "gorse_turned_image",  "gorse_frames",        "gorse_gauge",         "gorse_blade",
          "gorse_glyph_",        "gorse_paint_squares", "gorse_code_extended", "gorse_expand_extended",
          "gorse_latch",         "gorse_input",         "gorse_see",           "gorse_control",
          "gorse_acting_button", "gorse_slider",        "gorse_ring",          "gorse_focus",
          "gorse_keys",          "gorse_debounce",      "gorse_knob_decode",   "gorse_touch_map",
          "gorse_cover",         "gorse_sine",          "gorse_outline",       "gorse_sector",
          "gorse_indicator",     "gorse_cells",         "gorse_code_cells",    "gorse_elements",
          "gorse_code_elements", "gorse_fade",          "gorse_wrapped",       "gorse_widgets",
          "gorse_container",     "gorse_scroll",        "gorse_recolour",      "gorse_box",
          "gorse_strip",         "gorse_ease",          "gorse_transition",    "gorse_pager",
          "gorse_drawer",        "gorse_list",          "gorse_levels",        "gorse_typ",
          "gorse_keyboard"})
        if (name.starts_with(prefix) && name.ends_with(".c"))
            return true;
    return name == "gorse_latch.h" || name == "gorse_cover.h" || name == "gorse_gauge.h" || name == "gorse_blade.h" ||
           name == "gorse_fade.h" || name == "gorse_wrapped.h" || name == "gorse_progress.h" ||
           name == "gorse_readout.h" || name == "gorse_control.h" || name == "gorse_focus.h" ||
           name == "gorse_keys.h" || name == "gorse_debounce.h" || name == "gorse_knob_decode.h" ||
           name == "gorse_touch_map.h" || name == "gorse_acting_button.h" || name == "gorse_slider.h" ||
           name == "gorse_ring.h" || name == "gorse_container.h" || name == "gorse_scroll.h" ||
           name == "gorse_copies.h" || name == "gorse_transition.h" || name == "gorse_ease.h" ||
           name == "gorse_glide.h" || name == "gorse_pager.h" || name == "gorse_drawer.h" || name == "gorse_list.h" ||
           name == "gorse_levels.h" || name == "gorse_themes.h" || name == "gorse_typing.h" ||
           name == "gorse_keyboard.h";
}

// Names of files. They are literals, so most repetitions are found by their address; a project has hundreds of images.
class ChosenSources {
  public:
    void add(const char* name) {
        if (std::find(names_.begin(), names_.end(), name) == names_.end())
            names_.push_back(name);
    }
    bool has(std::string_view name) const {
        return std::any_of(names_.begin(), names_.end(), [&](std::string_view each) { return each == name; });
    }

  private:
    std::vector<const char*> names_;
};

// Those of all screens, each once: few, of many screens.
std::vector<const RuntimeKind*> kindsOf(const BuiltScene& scene) {
    std::vector<const RuntimeKind*> out;
    for (const auto& part : scene.allParts())
        for (const RuntimeKind* kind : part->kinds)
            if (std::find(out.begin(), out.end(), kind) == out.end())
                out.push_back(kind);
    return out;
}

// True if any box that is drawn can have round corners.
bool hasRoundCorners(const BuiltScene& scene) {
    const auto isRound = [](const gorse_look& look) {
        return look.radius != 0 || std::any_of(look.states, look.states + look.state_count,
                                               [](const gorse_look_state& state) { return state.look->radius != 0; });
    };
    const auto changesRadius = [](const gorse_slot& slot) {
        return (slot.size & GORSE_SLOT_LOOK) != 0 && slot.offset == offsetof(gorse_look, radius);
    };
    const auto kinds = kindsOf(scene);
    return std::any_of(kinds.begin(), kinds.end(), [](const auto* kind) { return kind->roundsCorners; }) ||
           std::any_of(scene.parts.begin(), scene.parts.end(), [&](const auto& part) {
               return std::any_of(part->looks.begin(), part->looks.end(),
                                  [&](const LookUse& use) { return isRound(*use.look); }) ||
                      std::any_of(part->slots.begin(), part->slots.end(), changesRadius);
           });
}

void addImageSources(const BakedImage& image, ChosenSources& chosen) {
    const PixelFormatInfo& format = info(image.format);
    const BakedFrame& frame = image.frames.front();
    if (frame.record.format)
        chosen.add(format.imageSymbol.source);
    if (frame.record.source)
        for (const char* each : {"gorse_stored_image.c", "gorse_image_read.c"})
            chosen.add(each);
    if (frame.source.convert)
        chosen.add(format.convertSymbol.source);
    if (frame.source.reader)
        chosen.add(readerOf(image).source);
}

bool hasIdleRules(const BuiltScene& scene) {
    return std::find(scene.motions.begin(), scene.motions.end(), &gorse_motion_of_idleness) != scene.motions.end();
}

// The knob and the keys, and what firmware reads them with.
void addKeySources(const BuiltScene& scene, ChosenSources& chosen) {
    const Panel& panel = *scene.document.panel;
    if (!hasKeys(panel))
        return;
    for (const char* each : {"gorse_keys.h", "gorse_debounce.c", "gorse_debounce.h"})
        chosen.add(each);
    if (panel.knob)
        for (const char* each : {"gorse_knob_decode.c", "gorse_knob_decode.h"})
            chosen.add(each);
    if (scene.focusOrder.empty() && !hasIdleRules(scene))
        chosen.add("gorse_keys.c");
    else
        for (const char* each : {"gorse_focus.c", "gorse_focus_frame.c", "gorse_motion_focus.c"})
            chosen.add(each);
}

// Widgets lie in others.
bool hasHolders(const BuiltScene& scene) {
    return std::any_of(scene.parts.begin(), scene.parts.end(), [](const auto& part) { return !part->holders.empty(); });
}

bool hasKind(const BuiltScene& scene, const gorse_kind* kind) {
    const auto kinds = kindsOf(scene);
    return std::any_of(kinds.begin(), kinds.end(), [&](const auto* each) { return each->kind == kind; });
}

// Widgets in others, and which of these a finger moves.
void addContainerSources(const BuiltScene& scene, ChosenSources& chosen) {
    const bool holds = hasHolders(scene), scrolls = scene.scene.containers && scene.containers.scrolls != 0;
    if (holds)
        for (const char* each : {"gorse_container_place.c", "gorse_container_widgets.c", "gorse_copies.h"})
            chosen.add(each);
    else
        chosen.add("gorse_widgets.c");
    if (scrolls)
        for (const char* each : {"gorse_scroll.c", "gorse_motion_scroll.c"})
            chosen.add(each);
    if (scene.scene.controls && !holds)
        chosen.add("gorse_container_none.c");
    if (scene.scene.controls && !scrolls)
        chosen.add("gorse_scroll_none.c");
    if (!scene.scene.controls && !holds)
        return;
    for (const char* each : {"gorse_pager.h", "gorse_drawer.h"})
        chosen.add(each);
    if (holds || scrolls)
        chosen.add("gorse_container_record.c");
    chosen.add("gorse_list.h");
    if (scene.scene.controls)
        chosen.add("gorse_typing.h");
    if (scene.scene.controls && scene.controls.typing_bytes == 0)
        chosen.add("gorse_typing_none.c");
    if (!hasKind(scene, &gorse_kind_list.kind))
        chosen.add("gorse_list_none.c");
    if (!hasKind(scene, &gorse_kind_pager))
        chosen.add("gorse_pager_none.c");
    if (!hasKind(scene, &gorse_kind_drawer))
        chosen.add("gorse_drawer_none.c");
}

// What changes with time.
void addGlideSources(const BuiltScene& scene, ChosenSources& chosen) {
    if (scene.scene.glides)
        for (const char* each : {"gorse_motion_glide.c", "gorse_glide.h"})
            chosen.add(each);
    if (hasIdleRules(scene))
        chosen.add("gorse_motion_idle.c");
    if (scene.scene.themes)
        for (const char* each : {"gorse_motion_themes.c", "gorse_themes.h"})
            chosen.add(each);
    if (scene.scene.glides || scene.scene.transitions)
        for (const char* each : {"gorse_ease.c", "gorse_ease.h"})
            chosen.add(each);
}

// Changes of screens, and what lets something through beside single widgets.
void addTransitionSources(const BuiltScene& scene, ChosenSources& chosen) {
    if (scene.scene.transitions)
        for (const char* each : {"gorse_motion_transition.c", "gorse_levels.h", "gorse_copies.h",
                                 scene.transitions.has_levels != 0 ? "gorse_levels.c" : "gorse_levels_none.c"})
            chosen.add(each);
    else
        chosen.add("gorse_strip.c");
    if (scene.scene.controls && !scene.scene.transitions)
        chosen.add("gorse_transition_none.c");
    if (scene.containers.fades + scene.transitions.fades == 0)
        return;
    chosen.add("gorse_container_fade.c");
    if (scene.panel.quarter_turns % 2 != 0)
        chosen.add("gorse_container_squares.c");
}

}  // namespace

RuntimeSymbol readerOf(const BakedImage& image) {
    if (image.outside && image.packedByRuns())
        return {"gorse_reader_outside_runs", "gorse_reader_outside_runs.c"};
    if (image.outside)
        return {"gorse_reader_outside", "gorse_reader_outside.c"};
    if (image.packedByRuns())
        return {"gorse_reader_runs", "gorse_reader_runs.c"};
    return {};
}

std::vector<std::string> neededSources(const BuiltScene& scene) {
    ChosenSources chosen;
    const PixelFormatInfo& format = info(scene.document.panel->format);
    chosen.add(format.panelSymbol.source);
    if (scene.scene.controls)
        for (const char* each : {"gorse_focus.h", "gorse_input_controls.c", "gorse_see_controls.c", "gorse_control.c",
                                 "gorse_indicator.c", "gorse_control.h", "gorse_container.h", "gorse_scroll.h",
                                 "gorse_transition.h", "gorse_wrapped.h", "gorse_motion_controls.c"})
            chosen.add(each);
    else
        chosen.add("gorse_see.c");
    addKeySources(scene, chosen);
    if (scene.document.panel->touch && !scene.scene.controls)
        chosen.add("gorse_input.c");
    if (scene.document.panel->touch && scene.document.panel->touchMapped)
        for (const char* each : {"gorse_touch_map.c", "gorse_touch_map.h"})
            chosen.add(each);
    const std::vector<Variable>& variables = *scene.document.variables;
    if (std::any_of(variables.begin(), variables.end(), isLatched)) {
        chosen.add("gorse_latch.c");
        chosen.add("gorse_latch.h");
    }
    if (scene.scene.motion)
        chosen.add("gorse_motion.c");
    if (scene.scene.follow_count != 0)
        chosen.add("gorse_motion_follow.c");
    if (scene.scene.map_count != 0)
        chosen.add("gorse_cells.c");
    const auto code = scene.scene.extended;
    if (code == gorse_extended_code_with_cells || code == gorse_extended_code_with_both)
        chosen.add("gorse_code_cells.c");
    if (code == gorse_extended_code_with_elements || code == gorse_extended_code_with_both)
        chosen.add("gorse_code_elements.c");
    if (code == gorse_extended_code_with_both)
        chosen.add("gorse_code_cells_elements.c");
    if (std::any_of(variables.begin(), variables.end(), [](const Variable& each) { return each.isArray(); }))
        chosen.add("gorse_elements.c");
    if (scene.scene.recorder_count != 0)
        chosen.add("gorse_motion_record.c");
    if (scene.document.clock)
        chosen.add("gorse_motion_clock.c");
    if (scene.scene.outputs)
        chosen.add("gorse_motion_outputs.c");
    if (!scene.motions.empty())
        chosen.add("gorse_motion_several.c");
    if (format.hasPalette())
        chosen.add("gorse_palette.c");
    if (scene.panel.turn)
        chosen.add(turnOf(format.format).symbol.source);
    for (const RuntimeKind* kind : kindsOf(scene)) {
        chosen.add(kind->source);
        for (const char* name : kind->more)
            chosen.add(name);
    }
    chosen.add(hasRoundCorners(scene) ? "gorse_box.c" : "gorse_box_square.c");
    if (scene.scene.extended)
        chosen.add("gorse_code_extended.c");
    if (scene.scene.forms)
        chosen.add("gorse_expand_extended.c");
    if (scene.panel.quarter_turns % 2 != 0)
        chosen.add("gorse_paint_squares.c");
    addContainerSources(scene, chosen);
    addTransitionSources(scene, chosen);
    addGlideSources(scene, chosen);
    if (scene.panel.paint == gorse_paint_squares_with_copy)
        chosen.add("gorse_fade_squares.c");
    if (fades(scene))
        for (const char* each : {"gorse_fade.c", "gorse_fade.h", "gorse_copies.h"})
            chosen.add(each);
    if (hasWrappedKinds(scene))
        for (const char* each : {"gorse_wrapped.c", "gorse_wrapped.h"})
            chosen.add(each);
    if (std::any_of(scene.parts.begin(), scene.parts.end(), [](const auto& part) { return part->recolours; }))
        chosen.add("gorse_recolour.c");
    for (const FontRef& font : scene.fonts)
        chosen.add(readerOfGlyphs(font->bits(), font->isPacked()).source);
    for (const ImageUse& use : scene.images)
        addImageSources(*use.image, chosen);
    std::vector<std::string> out;
    for (const RuntimeSource& source : runtimeSources())
        if (!isOptional(source.name) || chosen.has(source.name))
            out.emplace_back(source.name);
    return out;
}

}  // namespace gorsefinch
