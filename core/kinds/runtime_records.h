// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/kinds/record.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

// Heads of widgets' records, which other records begin with.
inline constexpr FieldInfo widgetRecordFields[] = {
    GORSEFINCH_FIELD(gorse_widget, kind, Kind),
    GORSEFINCH_FIELD(gorse_widget, look, Look),
    GORSEFINCH_FIELD(gorse_widget, x, I16, "x"),
    GORSEFINCH_FIELD(gorse_widget, y, I16, "y"),
    GORSEFINCH_FIELD(gorse_widget, w, I16, "w"),
    GORSEFINCH_FIELD(gorse_widget, h, I16, "h"),
    GORSEFINCH_FIELD(gorse_widget, memory, Offset),
    GORSEFINCH_FIELD(gorse_widget, capacity, U8),
    GORSEFINCH_FIELD(gorse_widget, visible, U8, "visible"),
    GORSEFINCH_FIELD(gorse_widget, first_slot, U8),
    GORSEFINCH_FIELD(gorse_widget, slot_count, U8),
    GORSEFINCH_FIELD(gorse_widget, opacity, U8, "opacity"),
    GORSEFINCH_FIELD(gorse_widget, enabled, U8, "enabled"),
};
inline constexpr RecordInfo widgetRecord{"gorse_widget", sizeof(gorse_widget), nullptr, "", widgetRecordFields};
static_assert(isComplete(widgetRecord));

inline constexpr FieldInfo labelRecordFields[] = {
    GORSEFINCH_FIELD(gorse_widget_text, text, Text, "text"), GORSEFINCH_FIELD(gorse_widget_text, align, U8, "align"),
    GORSEFINCH_FIELD(gorse_widget_text, place, U8, "place"), GORSEFINCH_FIELD(gorse_widget_text, wrap, U8, "wrap"),
    GORSEFINCH_FIELD(gorse_widget_text, reserved, Padding),
};
inline constexpr RecordInfo labelRecord{"gorse_widget_text", sizeof(gorse_widget_text), &widgetRecord, "widget",
                                        labelRecordFields};
static_assert(isComplete(labelRecord));

// What the records of containers begin with.
inline constexpr FieldInfo groupRecordFields[] = {
    GORSEFINCH_FIELD(gorse_widget_group, pan_x, I16, "pan_x"),
    GORSEFINCH_FIELD(gorse_widget_group, pan_y, I16, "pan_y"),
    GORSEFINCH_FIELD(gorse_widget_group, end, U16),
    GORSEFINCH_FIELD(gorse_widget_group, clip, U8, "clip"),
    GORSEFINCH_FIELD(gorse_widget_group, scroll, U8, "scroll"),
};
inline constexpr RecordInfo groupRecord{"gorse_widget_group", sizeof(gorse_widget_group), &widgetRecord, "widget",
                                        groupRecordFields};
static_assert(isComplete(groupRecord));

// The fields that a look's style properties set.
extern const RecordInfo lookRecord;
extern const RecordInfo lookStateRecord, fontRecord, glyphRecord, rangeRecord, kernRecord, imageRecord,
    imageSourceRecord, animationRecord, screenRecord, slotRecord, bindingRecord, numberVariableRecord,
    textVariableRecord, ruleRecord, followRecord, keeperRecord, marginRecord, controlsRecord, containersRecord,
    transitionRecord, transitionsRecord, glideRecord, glidesRecord, themesRecord, outputRecord, toneRecord,
    outputsRecord, sceneRecord, panelRecord;

// All records: those above and those of the kinds.
std::span<const RecordInfo* const> runtimeRecords();

}  // namespace gorsefinch
