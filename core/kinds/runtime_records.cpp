// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/runtime_records.h"

#include <vector>

#include "core/kinds/kinds.h"

namespace gorsefinch {

namespace {

constexpr FieldInfo lookRecordFields[] = {
    GORSEFINCH_FIELD(gorse_look, fill, Colour, "fill"),
    GORSEFINCH_FIELD(gorse_look, border, Colour, "border"),
    GORSEFINCH_FIELD(gorse_look, text, Colour, "colour"),
    GORSEFINCH_FIELD(gorse_look, font, Font),
    GORSEFINCH_FIELD(gorse_look, states, Pointer),
    GORSEFINCH_FIELD(gorse_look, state_count, U8),
    GORSEFINCH_FIELD(gorse_look, border_width, U8, "border_width"),
    GORSEFINCH_FIELD(gorse_look, radius, U8, "radius"),
    GORSEFINCH_FIELD(gorse_look, padding, U8, "padding"),
};

constexpr FieldInfo lookStateRecordFields[] = {
    GORSEFINCH_FIELD(gorse_look_state, look, Look),
    GORSEFINCH_FIELD(gorse_look_state, when, U8),
};

constexpr FieldInfo fontRecordFields[] = {
    GORSEFINCH_FIELD(gorse_font, ranges, Pointer),    GORSEFINCH_FIELD(gorse_font, glyphs, Pointer),
    GORSEFINCH_FIELD(gorse_font, kerns, Pointer),     GORSEFINCH_FIELD(gorse_font, bits, Pointer),
    GORSEFINCH_FIELD(gorse_font, read, Pointer),      GORSEFINCH_FIELD(gorse_font, range_count, U16),
    GORSEFINCH_FIELD(gorse_font, kern_count, U16),    GORSEFINCH_FIELD(gorse_font, line_height, U8),
    GORSEFINCH_FIELD(gorse_font, bits_per_pixel, U8), GORSEFINCH_FIELD(gorse_font, reserved, Padding),
};

constexpr FieldInfo glyphRecordFields[] = {
    GORSEFINCH_FIELD(gorse_glyph, offset_low, U16), GORSEFINCH_FIELD(gorse_glyph, offset_high, U8),
    GORSEFINCH_FIELD(gorse_glyph, width, U8),       GORSEFINCH_FIELD(gorse_glyph, height, U8),
    GORSEFINCH_FIELD(gorse_glyph, left, I8),        GORSEFINCH_FIELD(gorse_glyph, top, U8),
    GORSEFINCH_FIELD(gorse_glyph, advance, U8),
};

constexpr FieldInfo rangeRecordFields[] = {
    GORSEFINCH_FIELD(gorse_range, first, U32),
    GORSEFINCH_FIELD(gorse_range, count, U16),
    GORSEFINCH_FIELD(gorse_range, glyph, U16),
};

constexpr FieldInfo kernRecordFields[] = {
    GORSEFINCH_FIELD(gorse_kern, left, U16),
    GORSEFINCH_FIELD(gorse_kern, right, U16),
    GORSEFINCH_FIELD(gorse_kern, by, I16),
};

constexpr FieldInfo imageRecordFields[] = {
    GORSEFINCH_FIELD(gorse_image, format, Pointer), GORSEFINCH_FIELD(gorse_image, pixels, Pointer),
    GORSEFINCH_FIELD(gorse_image, mask, Pointer),   GORSEFINCH_FIELD(gorse_image, source, Pointer),
    GORSEFINCH_FIELD(gorse_image, width, U16),      GORSEFINCH_FIELD(gorse_image, height, U16),
    GORSEFINCH_FIELD(gorse_image, mask_bits, U8),   GORSEFINCH_FIELD(gorse_image, reserved, Padding),
};

constexpr FieldInfo imageSourceRecordFields[] = {
    GORSEFINCH_FIELD(gorse_image_source, draw, Pointer),
    GORSEFINCH_FIELD(gorse_image_source, reader, Pointer),
    GORSEFINCH_FIELD(gorse_image_source, convert, Pointer),
    GORSEFINCH_FIELD(gorse_image_source, palette, Pointer),
    GORSEFINCH_FIELD(gorse_image_source, pixel_groups, Pointer),
    GORSEFINCH_FIELD(gorse_image_source, mask_groups, Pointer),
    GORSEFINCH_FIELD(gorse_image_source, pixel_address, U32),
    GORSEFINCH_FIELD(gorse_image_source, mask_address, U32),
};

constexpr FieldInfo animationRecordFields[] = {
    GORSEFINCH_FIELD(gorse_animation, frames, Pointer),
    GORSEFINCH_FIELD(gorse_animation, times, Pointer),
    GORSEFINCH_FIELD(gorse_animation, count, U16),
    GORSEFINCH_FIELD(gorse_animation, reserved, Padding),
};

constexpr FieldInfo screenRecordFields[] = {
    GORSEFINCH_FIELD(gorse_screen, background, Colour), GORSEFINCH_FIELD(gorse_screen, widgets, Pointer),
    GORSEFINCH_FIELD(gorse_screen, slots, Pointer),     GORSEFINCH_FIELD(gorse_screen, bindings, Pointer),
    GORSEFINCH_FIELD(gorse_screen, widget_count, U16),  GORSEFINCH_FIELD(gorse_screen, slot_count, U16),
    GORSEFINCH_FIELD(gorse_screen, binding_count, U16), GORSEFINCH_FIELD(gorse_screen, first_slot, U16),
};

constexpr FieldInfo slotRecordFields[] = {
    GORSEFINCH_FIELD(gorse_slot, initial, I32),
    GORSEFINCH_FIELD(gorse_slot, widget, U16),
    GORSEFINCH_FIELD(gorse_slot, offset, U8),
    GORSEFINCH_FIELD(gorse_slot, size, U8),
};

constexpr FieldInfo bindingRecordFields[] = {
    GORSEFINCH_FIELD(gorse_binding, variable, U16),
    GORSEFINCH_FIELD(gorse_binding, widget, U16),
};

constexpr FieldInfo numberVariableRecordFields[] = {
    GORSEFINCH_FIELD(gorse_number_variable, min, I32),
    GORSEFINCH_FIELD(gorse_number_variable, max, I32),
    GORSEFINCH_FIELD(gorse_number_variable, start, I32),
};

constexpr FieldInfo textVariableRecordFields[] = {
    GORSEFINCH_FIELD(gorse_text_variable, start, Text),
    GORSEFINCH_FIELD(gorse_text_variable, offset, U16),
    GORSEFINCH_FIELD(gorse_text_variable, capacity, U8),
    GORSEFINCH_FIELD(gorse_text_variable, reserved, Padding),
};

constexpr FieldInfo ruleRecordFields[] = {
    GORSEFINCH_FIELD(gorse_rule, period, U32),    GORSEFINCH_FIELD(gorse_rule, condition, Offset),
    GORSEFINCH_FIELD(gorse_rule, body, Offset),   GORSEFINCH_FIELD(gorse_rule, otherwise, Offset),
    GORSEFINCH_FIELD(gorse_rule, screen, Offset), GORSEFINCH_FIELD(gorse_rule, widget, Offset),
    GORSEFINCH_FIELD(gorse_rule, memory, U16),    GORSEFINCH_FIELD(gorse_rule, event, U8),
    GORSEFINCH_FIELD(gorse_rule, missed, U8),     GORSEFINCH_FIELD(gorse_rule, reserved, Padding),
};

constexpr FieldInfo followRecordFields[] = {
    GORSEFINCH_FIELD(gorse_follow, changed, Offset),
    GORSEFINCH_FIELD(gorse_follow, code, U16),
    GORSEFINCH_FIELD(gorse_follow, slot, U16),
    GORSEFINCH_FIELD(gorse_follow, screen, Offset),
};

constexpr FieldInfo keeperRecordFields[] = {
    GORSEFINCH_FIELD(gorse_keeper, of, Pointer),
    GORSEFINCH_FIELD(gorse_keeper, at, U32),
    GORSEFINCH_FIELD(gorse_keeper, screen, U16),
    GORSEFINCH_FIELD(gorse_keeper, widget, U16),
};

constexpr FieldInfo marginRecordFields[] = {
    GORSEFINCH_FIELD(gorse_margin, screen, U16),
    GORSEFINCH_FIELD(gorse_margin, widget, U16),
    GORSEFINCH_FIELD(gorse_margin, pixels, U8),
    GORSEFINCH_FIELD(gorse_margin, reserved, Padding),
};

constexpr FieldInfo controlsRecordFields[] = {
    GORSEFINCH_FIELD(gorse_controls, margins, Pointer),      GORSEFINCH_FIELD(gorse_controls, focus_order, Pointer),
    GORSEFINCH_FIELD(gorse_controls, focus_starts, Pointer), GORSEFINCH_FIELD(gorse_controls, state_at, U32),
    GORSEFINCH_FIELD(gorse_controls, focus_at, U32),         GORSEFINCH_FIELD(gorse_controls, typing_at, U32),
    GORSEFINCH_FIELD(gorse_controls, margin_count, U16),     GORSEFINCH_FIELD(gorse_controls, hold, U16),
    GORSEFINCH_FIELD(gorse_controls, focus_wraps, U8),       GORSEFINCH_FIELD(gorse_controls, has_focus, U8),
    GORSEFINCH_FIELD(gorse_controls, typing_bytes, U8),      GORSEFINCH_FIELD(gorse_controls, reserved, Padding),
};

constexpr FieldInfo containersRecordFields[] = {
    GORSEFINCH_FIELD(gorse_containers, holders, Pointer), GORSEFINCH_FIELD(gorse_containers, mix_back, Pointer),
    GORSEFINCH_FIELD(gorse_containers, state_at, U32),    GORSEFINCH_FIELD(gorse_containers, scrolls, U8),
    GORSEFINCH_FIELD(gorse_containers, fades, U8),        GORSEFINCH_FIELD(gorse_containers, reserved, Padding),
};

constexpr FieldInfo transitionRecordFields[] = {
    GORSEFINCH_FIELD(gorse_transition, ms, U16),           GORSEFINCH_FIELD(gorse_transition, how, U8),
    GORSEFINCH_FIELD(gorse_transition, way, U8),           GORSEFINCH_FIELD(gorse_transition, ease, U8),
    GORSEFINCH_FIELD(gorse_transition, reserved, Padding),
};

constexpr FieldInfo transitionsRecordFields[] = {
    GORSEFINCH_FIELD(gorse_transitions, each, Pointer),     GORSEFINCH_FIELD(gorse_transitions, mix_back, Pointer),
    GORSEFINCH_FIELD(gorse_transitions, state_at, U32),     GORSEFINCH_FIELD(gorse_transitions, levels_at, U32),
    GORSEFINCH_FIELD(gorse_transitions, keeps, Pointer),    GORSEFINCH_FIELD(gorse_transitions, kept_bytes, Pointer),
    GORSEFINCH_FIELD(gorse_transitions, inner, Pointer),    GORSEFINCH_FIELD(gorse_transitions, bytes, U16),
    GORSEFINCH_FIELD(gorse_transitions, count, U8),         GORSEFINCH_FIELD(gorse_transitions, fades, U8),
    GORSEFINCH_FIELD(gorse_transitions, levels, U8),        GORSEFINCH_FIELD(gorse_transitions, has_levels, U8),
    GORSEFINCH_FIELD(gorse_transitions, reserved, Padding),
};

constexpr FieldInfo glideRecordFields[] = {
    GORSEFINCH_FIELD(gorse_glide, ms, U32),      GORSEFINCH_FIELD(gorse_glide, slot, U16),
    GORSEFINCH_FIELD(gorse_glide, screen, U16),  GORSEFINCH_FIELD(gorse_glide, from_code, U16),
    GORSEFINCH_FIELD(gorse_glide, to_code, U16), GORSEFINCH_FIELD(gorse_glide, then_code, U16),
    GORSEFINCH_FIELD(gorse_glide, rounds, U16),  GORSEFINCH_FIELD(gorse_glide, ease, U8),
    GORSEFINCH_FIELD(gorse_glide, flags, U8),    GORSEFINCH_FIELD(gorse_glide, rule, U16),
};

constexpr FieldInfo themesRecordFields[] = {
    GORSEFINCH_FIELD(gorse_themes, each, Pointer),
    GORSEFINCH_FIELD(gorse_themes, number, U16),
    GORSEFINCH_FIELD(gorse_themes, count, U16),
};
constexpr FieldInfo glidesRecordFields[] = {
    GORSEFINCH_FIELD(gorse_glides, each, Pointer),
    GORSEFINCH_FIELD(gorse_glides, state_at, U32),
    GORSEFINCH_FIELD(gorse_glides, count, U16),
    GORSEFINCH_FIELD(gorse_glides, at_a_time, U16),
};

constexpr FieldInfo outputRecordFields[] = {
    GORSEFINCH_FIELD(gorse_output, number, U16),
    GORSEFINCH_FIELD(gorse_output, hook, U16),
};

constexpr FieldInfo toneRecordFields[] = {
    GORSEFINCH_FIELD(gorse_tone, hertz, U16),
    GORSEFINCH_FIELD(gorse_tone, ms, U16),
};

constexpr FieldInfo outputsRecordFields[] = {
    GORSEFINCH_FIELD(gorse_outputs, each, Pointer), GORSEFINCH_FIELD(gorse_outputs, tones, Pointer),
    GORSEFINCH_FIELD(gorse_outputs, sound_at, U32), GORSEFINCH_FIELD(gorse_outputs, known_at, U32),
    GORSEFINCH_FIELD(gorse_outputs, count, U16),    GORSEFINCH_FIELD(gorse_outputs, sound_hook, U16),
};

constexpr FieldInfo sceneRecordFields[] = {
    GORSEFINCH_FIELD(gorse_scene, panel, Pointer),       GORSEFINCH_FIELD(gorse_scene, screens, Pointer),
    GORSEFINCH_FIELD(gorse_scene, numbers, Pointer),     GORSEFINCH_FIELD(gorse_scene, texts, Pointer),
    GORSEFINCH_FIELD(gorse_scene, rules, Pointer),       GORSEFINCH_FIELD(gorse_scene, code, Pointer),
    GORSEFINCH_FIELD(gorse_scene, strings, Pointer),     GORSEFINCH_FIELD(gorse_scene, extended, Pointer),
    GORSEFINCH_FIELD(gorse_scene, forms, Pointer),       GORSEFINCH_FIELD(gorse_scene, motion, Pointer),
    GORSEFINCH_FIELD(gorse_scene, follows, Pointer),     GORSEFINCH_FIELD(gorse_scene, screen_count, U16),
    GORSEFINCH_FIELD(gorse_scene, number_count, U16),    GORSEFINCH_FIELD(gorse_scene, text_count, U16),
    GORSEFINCH_FIELD(gorse_scene, rule_count, U16),      GORSEFINCH_FIELD(gorse_scene, slot_count, U16),
    GORSEFINCH_FIELD(gorse_scene, timer_count, U16),     GORSEFINCH_FIELD(gorse_scene, when_count, U16),
    GORSEFINCH_FIELD(gorse_scene, string_count, U16),    GORSEFINCH_FIELD(gorse_scene, first_screen, U16),
    GORSEFINCH_FIELD(gorse_scene, follow_count, U16),    GORSEFINCH_FIELD(gorse_scene, scratch_bytes, U8),
    GORSEFINCH_FIELD(gorse_scene, rules_read, U8),       GORSEFINCH_FIELD(gorse_scene, hearer_count, U16),
    GORSEFINCH_FIELD(gorse_scene, slots_at, U32),        GORSEFINCH_FIELD(gorse_scene, timers_at, U32),
    GORSEFINCH_FIELD(gorse_scene, changed_at, U32),      GORSEFINCH_FIELD(gorse_scene, whens_at, U32),
    GORSEFINCH_FIELD(gorse_scene, scratch_at, U32),      GORSEFINCH_FIELD(gorse_scene, texts_at, U32),
    GORSEFINCH_FIELD(gorse_scene, screen_at, U32),       GORSEFINCH_FIELD(gorse_scene, end, U32),
    GORSEFINCH_FIELD(gorse_scene, motions, Pointer),     GORSEFINCH_FIELD(gorse_scene, keepers, Pointer),
    GORSEFINCH_FIELD(gorse_scene, keepers_at, U32),      GORSEFINCH_FIELD(gorse_scene, clock_at, U32),
    GORSEFINCH_FIELD(gorse_scene, recorder_count, U16),  GORSEFINCH_FIELD(gorse_scene, clock, U16),
    GORSEFINCH_FIELD(gorse_scene, clock_by_minutes, U8), GORSEFINCH_FIELD(gorse_scene, reserved_end, Padding),
    GORSEFINCH_FIELD(gorse_scene, map_count, U16),       GORSEFINCH_FIELD(gorse_scene, controls, Pointer),
    GORSEFINCH_FIELD(gorse_scene, outputs, Pointer),     GORSEFINCH_FIELD(gorse_scene, containers, Pointer),
    GORSEFINCH_FIELD(gorse_scene, transitions, Pointer), GORSEFINCH_FIELD(gorse_scene, glides, Pointer),
    GORSEFINCH_FIELD(gorse_scene, themes, Pointer),
};

constexpr FieldInfo panelRecordFields[] = {
    GORSEFINCH_FIELD(gorse_panel, format, Pointer),
    GORSEFINCH_FIELD(gorse_panel, paint, Pointer),
    GORSEFINCH_FIELD(gorse_panel, turn, Pointer),
    GORSEFINCH_FIELD(gorse_panel, palette, Pointer),
    GORSEFINCH_FIELD(gorse_panel, min_buffer_bytes, U32),
    GORSEFINCH_FIELD(gorse_panel, width, U16),
    GORSEFINCH_FIELD(gorse_panel, height, U16),
    GORSEFINCH_FIELD(gorse_panel, column_offset, U16),
    GORSEFINCH_FIELD(gorse_panel, row_offset, U16),
    GORSEFINCH_FIELD(gorse_panel, palette_count, U16),
    GORSEFINCH_FIELD(gorse_panel, quarter_turns, U8),
    GORSEFINCH_FIELD(gorse_panel, flags, U8),
    GORSEFINCH_FIELD(gorse_panel, unit_x, U8),
    GORSEFINCH_FIELD(gorse_panel, unit_y, U8),
    GORSEFINCH_FIELD(gorse_panel, phase_x, U8),
    GORSEFINCH_FIELD(gorse_panel, phase_y, U8),
};

}  // namespace

constexpr RecordInfo lookRecord{"gorse_look", sizeof(gorse_look), nullptr, "", lookRecordFields};
constexpr RecordInfo lookStateRecord{"gorse_look_state", sizeof(gorse_look_state), nullptr, "", lookStateRecordFields};
constexpr RecordInfo fontRecord{"gorse_font", sizeof(gorse_font), nullptr, "", fontRecordFields};
constexpr RecordInfo glyphRecord{"gorse_glyph", sizeof(gorse_glyph), nullptr, "", glyphRecordFields};
constexpr RecordInfo rangeRecord{"gorse_range", sizeof(gorse_range), nullptr, "", rangeRecordFields};
constexpr RecordInfo kernRecord{"gorse_kern", sizeof(gorse_kern), nullptr, "", kernRecordFields};
constexpr RecordInfo imageRecord{"gorse_image", sizeof(gorse_image), nullptr, "", imageRecordFields};
constexpr RecordInfo imageSourceRecord{"gorse_image_source", sizeof(gorse_image_source), nullptr, "",
                                       imageSourceRecordFields};
constexpr RecordInfo animationRecord{"gorse_animation", sizeof(gorse_animation), nullptr, "", animationRecordFields};
constexpr RecordInfo screenRecord{"gorse_screen", sizeof(gorse_screen), nullptr, "", screenRecordFields};
constexpr RecordInfo slotRecord{"gorse_slot", sizeof(gorse_slot), nullptr, "", slotRecordFields};
constexpr RecordInfo bindingRecord{"gorse_binding", sizeof(gorse_binding), nullptr, "", bindingRecordFields};
constexpr RecordInfo numberVariableRecord{"gorse_number_variable", sizeof(gorse_number_variable), nullptr, "",
                                          numberVariableRecordFields};
constexpr RecordInfo textVariableRecord{"gorse_text_variable", sizeof(gorse_text_variable), nullptr, "",
                                        textVariableRecordFields};
constexpr RecordInfo ruleRecord{"gorse_rule", sizeof(gorse_rule), nullptr, "", ruleRecordFields};
constexpr RecordInfo followRecord{"gorse_follow", sizeof(gorse_follow), nullptr, "", followRecordFields};
constexpr RecordInfo keeperRecord{"gorse_keeper", sizeof(gorse_keeper), nullptr, "", keeperRecordFields};
constexpr RecordInfo marginRecord{"gorse_margin", sizeof(gorse_margin), nullptr, "", marginRecordFields};
constexpr RecordInfo controlsRecord{"gorse_controls", sizeof(gorse_controls), nullptr, "", controlsRecordFields};
constexpr RecordInfo containersRecord{"gorse_containers", sizeof(gorse_containers), nullptr, "",
                                      containersRecordFields};
constexpr RecordInfo transitionRecord{"gorse_transition", sizeof(gorse_transition), nullptr, "",
                                      transitionRecordFields};
constexpr RecordInfo transitionsRecord{"gorse_transitions", sizeof(gorse_transitions), nullptr, "",
                                       transitionsRecordFields};
constexpr RecordInfo glideRecord{"gorse_glide", sizeof(gorse_glide), nullptr, "", glideRecordFields};
constexpr RecordInfo themesRecord{"gorse_themes", sizeof(gorse_themes), nullptr, "", themesRecordFields};
constexpr RecordInfo glidesRecord{"gorse_glides", sizeof(gorse_glides), nullptr, "", glidesRecordFields};
constexpr RecordInfo outputRecord{"gorse_output", sizeof(gorse_output), nullptr, "", outputRecordFields};
constexpr RecordInfo toneRecord{"gorse_tone", sizeof(gorse_tone), nullptr, "", toneRecordFields};
constexpr RecordInfo outputsRecord{"gorse_outputs", sizeof(gorse_outputs), nullptr, "", outputsRecordFields};
constexpr RecordInfo sceneRecord{"gorse_scene", sizeof(gorse_scene), nullptr, "", sceneRecordFields};
constexpr RecordInfo panelRecord{"gorse_panel", sizeof(gorse_panel), nullptr, "", panelRecordFields};

static_assert(isComplete(lookRecord));
static_assert(isLaidOut(lookStateRecord));
static_assert(isComplete(fontRecord));
static_assert(isComplete(glyphRecord));
static_assert(isComplete(rangeRecord));
static_assert(isComplete(kernRecord));
static_assert(isComplete(imageRecord));
static_assert(isComplete(imageSourceRecord));
static_assert(isComplete(animationRecord));
static_assert(isComplete(screenRecord));
static_assert(isComplete(slotRecord));
static_assert(isComplete(bindingRecord));
static_assert(isComplete(numberVariableRecord));
static_assert(isComplete(textVariableRecord));
static_assert(isComplete(ruleRecord));
static_assert(isComplete(followRecord));
static_assert(isComplete(keeperRecord));
static_assert(isComplete(marginRecord));
static_assert(isComplete(controlsRecord));
static_assert(isComplete(containersRecord));
static_assert(isComplete(transitionRecord));
static_assert(isComplete(transitionsRecord));
static_assert(isComplete(glideRecord));
static_assert(isComplete(glidesRecord));
static_assert(isComplete(themesRecord));
static_assert(isComplete(outputRecord));
static_assert(isComplete(toneRecord));
static_assert(isComplete(outputsRecord));
static_assert(isComplete(sceneRecord));
static_assert(isComplete(panelRecord));

std::span<const RecordInfo* const> runtimeRecords() {
    static const std::vector<const RecordInfo*> all = [] {
        std::vector<const RecordInfo*> out{
            &labelRecord,      &lookRecord,       &lookStateRecord,   &fontRecord,           &glyphRecord,
            &rangeRecord,      &kernRecord,       &imageRecord,       &imageSourceRecord,    &animationRecord,
            &screenRecord,     &slotRecord,       &bindingRecord,     &numberVariableRecord, &textVariableRecord,
            &ruleRecord,       &followRecord,     &keeperRecord,      &marginRecord,         &controlsRecord,
            &containersRecord, &transitionRecord, &transitionsRecord, &glideRecord,          &glidesRecord,
            &themesRecord,     &outputRecord,     &toneRecord,        &outputsRecord,        &sceneRecord,
            &panelRecord};
        for (const KindInfo* kind : kinds())
            out.push_back(kind->record);
        return out;
    }();
    return all;
}

}  // namespace gorsefinch
