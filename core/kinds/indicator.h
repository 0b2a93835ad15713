// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <initializer_list>

#include "core/kinds/kinds.h"
#include "core/kinds/record_builder.h"
#include "core/kinds/runtime_records.h"

namespace gorsefinch {

// The properties that each indicator begins with: the value that it shows, and its range. Functions, as tables of
// properties are made before main().
PropertyInfo indicatorValue();
PropertyInfo indicatorMin();
PropertyInfo indicatorMax();
// What those with a length have besides: the value that it grows from, and parts.
PropertyInfo indicatorOrigin();
PropertyInfo indicatorParts();
PropertyInfo indicatorPartGap();

// Files of the runtime that those without round shapes use.
inline constexpr const char* kIndicatorSources[] = {"gorse_indicator.c"};
// Those that ones with round shapes use.
inline constexpr const char* kDialSources[] = {"gorse_cover.h",  "gorse_cover.c", "gorse_outline.c",
                                               "gorse_sector.c", "gorse_sine.c",  "gorse_indicator.c"};

// Parts of the range with colours of their own.
PropertyInfo indicatorZones();

// The style of one with a length that has no look: dark, or a plain grey for the tray, with what is shown in the
// accent.
void styleLength(Widget& widget, bool oneBit, Colour ground);

inline constexpr FieldInfo indicatorRecordFields[] = {
    GORSEFINCH_FIELD(gorse_widget_indicator, limits, Numbers),
    GORSEFINCH_FIELD(gorse_widget_indicator, variable, Variable),
    GORSEFINCH_FIELD(gorse_widget_indicator, yields, U8),
    GORSEFINCH_FIELD(gorse_widget_indicator, reserved, Padding),
};
inline constexpr RecordInfo indicatorRecord{"gorse_widget_indicator", sizeof(gorse_widget_indicator), &widgetRecord,
                                            "widget", indicatorRecordFields};
static_assert(isComplete(indicatorRecord));

// A number as text, in a unit with so many decimals; `otherwise` if it is empty, or wrong, which is reported.
int32_t decimalOf(RecordBuilder& builder, std::string_view key, int decimals, int32_t otherwise);

// A number as text; `otherwise` if it is empty, or wrong, which is reported.
int32_t decimalOfText(RecordBuilder& builder, const std::string& words, int decimals, int32_t otherwise);

// Zones as the runtime takes them, GORSE_ZONE_NUMBERS for each, in a unit with so many decimals. An end that is empty
// is that of the range. One that ends before it begins is reported.
std::vector<int32_t> zoneNumbers(RecordBuilder& builder, std::string_view key, int decimals, int32_t min, int32_t max);

// What a property gives that is a value: its expression, or the variable that it names; nothing if it has neither.
std::optional<NumberVariable> valueOf(RecordBuilder& builder, std::string_view key);

// Sets the record's variable. Returns it; nothing if the widget has none.
std::optional<NumberVariable> completeVariable(RecordBuilder& builder);

// The range of values: minimum and maximum, in the unit of the variable. One that is empty or reversed is reported.
std::vector<int32_t> rangeOf(RecordBuilder& builder, const std::optional<NumberVariable>& variable);

// Sets the record's variable, and its limits: the range and the kind's other values, by their keys; each is in the
// variable's unit, and where it is empty the minimum. Returns the variable; nothing if the widget has none.
std::optional<NumberVariable> completeIndicator(RecordBuilder& builder, std::initializer_list<const char*> others = {});

}  // namespace gorsefinch
