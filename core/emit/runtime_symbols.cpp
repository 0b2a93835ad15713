// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/runtime_symbols.h"

#include <algorithm>
#include <cassert>
#include <span>

#include "runtime/gorse_fade.h"

namespace gorsefinch {

namespace {

template <typename T>
struct Named {
    T what;
    const char* symbol;
};

template <typename T>
const char* symbolIn(std::span<const Named<T>> all, T what) {
    const auto found = std::find_if(all.begin(), all.end(), [&](const Named<T>& each) { return each.what == what; });
    assert(found != all.end());
    return found->symbol;
}

using Paint = decltype(gorse_panel::paint);
constexpr Named<Paint> paints[] = {{gorse_paint_rows, "gorse_paint_rows"},
                                   {gorse_paint_squares, "gorse_paint_squares"},
                                   {gorse_paint_rows_with_copy, "gorse_paint_rows_with_copy"},
                                   {gorse_paint_squares_with_copy, "gorse_paint_squares_with_copy"},
                                   {gorse_paint_rows_with_copies, "gorse_paint_rows_with_copies"},
                                   {gorse_paint_squares_with_copies, "gorse_paint_squares_with_copies"}};

using Code = decltype(gorse_scene::extended);
constexpr Named<Code> codes[] = {{nullptr, "0"},
                                 {gorse_extended_code, "gorse_extended_code"},
                                 {gorse_extended_code_with_cells, "gorse_extended_code_with_cells"},
                                 {gorse_extended_code_with_elements, "gorse_extended_code_with_elements"},
                                 {gorse_extended_code_with_both, "gorse_extended_code_with_both"}};

constexpr Named<gorse_draw_function*> draws[] = {{nullptr, "0"},
                                                 {gorse_draw_faded, "gorse_draw_faded"},
                                                 {gorse_draw_focusable, "gorse_draw_focusable"},
                                                 {gorse_draw_recoloured_image, "gorse_draw_recoloured_image"},
                                                 {gorse_draw_recoloured_frames, "gorse_draw_recoloured_frames"}};

constexpr Named<const gorse_motion*> motions[] = {
    {nullptr, "0"},
    {&gorse_motion_of_widgets, "&gorse_motion_of_widgets"},
    {&gorse_motion_that_follows, "&gorse_motion_that_follows"},
    {&gorse_motion_of_clock, "&gorse_motion_of_clock"},
    {&gorse_motion_of_controls, "&gorse_motion_of_controls"},
    {&gorse_motion_of_scrolling, "&gorse_motion_of_scrolling"},
    {&gorse_motion_of_transitions, "&gorse_motion_of_transitions"},
    {&gorse_motion_of_levels, "&gorse_motion_of_levels"},
    {&gorse_motion_of_what_lies_below, "&gorse_motion_of_what_lies_below"},
    {&gorse_motion_of_themes, "&gorse_motion_of_themes"},
    {&gorse_motion_of_glides, "&gorse_motion_of_glides"},
    {&gorse_motion_of_idleness, "&gorse_motion_of_idleness"},
    {&gorse_motion_of_focus, "&gorse_motion_of_focus"},
    {&gorse_motion_of_outputs, "&gorse_motion_of_outputs"},
    {&gorse_motion_that_records, "&gorse_motion_that_records"},
    {&gorse_motion_of_several, "&gorse_motion_of_several"}};

}  // namespace

const char* motionSymbol(const gorse_motion* motion) {
    return symbolIn(std::span<const Named<const gorse_motion*>>(motions), motion);
}

const char* paintSymbol(const gorse_panel& panel) {
    return symbolIn(std::span<const Named<Paint>>(paints), panel.paint);
}

const char* extendedCodeSymbol(const gorse_scene& scene) {
    return symbolIn(std::span<const Named<Code>>(codes), scene.extended);
}

bool fades(const BuiltScene& scene) {
    return scene.transitions.fades != 0 ||
           std::any_of(scene.parts.begin(), scene.parts.end(), [](const auto& part) { return part->fades; });
}

bool hasWrappedKinds(const BuiltScene& scene) {
    return fades(scene) || !scene.focusOrder.empty() ||
           std::any_of(scene.parts.begin(), scene.parts.end(), [](const auto& part) { return part->recolours; });
}

std::string wrappedKindTable(const std::string& name, const gorse_wrapped_kind& wrapped, const RecordInfo& record,
                             const RuntimeKind& runtime) {
    const auto draw = [](gorse_draw_function* function) {
        return symbolIn(std::span<const Named<gorse_draw_function*>>(draws), function);
    };
    const auto given = [](auto* function, const char* symbol) { return std::string(", ") + (function ? symbol : "0"); };
    return "static const GORSE_ROM gorse_wrapped_kind " + name + " = {{sizeof(" + record.structure + "), " +
           std::to_string(wrapped.kind.flags) + ", " + draw(wrapped.kind.draw) +
           given(wrapped.kind.command, "gorse_wrapped_command") + given(wrapped.kind.tick, "gorse_wrapped_tick") +
           given(wrapped.kind.wait, "gorse_wrapped_wait") + "}, " + draw(wrapped.inner) + ", &" + runtime.symbol + "};";
}

}  // namespace gorsefinch
