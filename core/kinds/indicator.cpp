// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/indicator.h"

#include <algorithm>
#include <limits>

#include "core/base/decimal.h"

namespace gorsefinch {

PropertyInfo indicatorValue() {
    return {.key = "value",
            .label = "Value",
            .type = PropertyType::Variable,
            .fallback = std::string(),
            .help = "the variable whose value it shows, or an expression; none shows 0",
            .isValue = true};
}

PropertyInfo indicatorMin() {
    return {.key = "min",
            .label = "Minimum",
            .type = PropertyType::Decimal,
            .fallback = std::string(),
            .help = "the value at its beginning; empty: the variable's minimum",
            .hint = "the variable's"};
}

PropertyInfo indicatorMax() {
    return {.key = "max",
            .label = "Maximum",
            .type = PropertyType::Decimal,
            .fallback = std::string(),
            .help = "the value at its end; empty: the variable's maximum",
            .hint = "the variable's"};
}

PropertyInfo indicatorOrigin() {
    return {.key = "origin",
            .label = "Origin",
            .type = PropertyType::Decimal,
            .fallback = std::string(),
            .help = "the value that it grows from; empty: the minimum. A balance grows from the middle",
            .hint = "the minimum"};
}

PropertyInfo indicatorParts() {
    return {.key = "parts",
            .label = "Parts",
            .type = PropertyType::Whole,
            .fallback = int64_t{1},
            .min = 1,
            .max = 100,
            .help = "1 for an undivided one",
            .inRules = true};
}

PropertyInfo indicatorPartGap() {
    return {.key = "part_gap",
            .label = "Gap",
            .type = PropertyType::Whole,
            .fallback = int64_t{2},
            .min = 0,
            .max = 64,
            .unit = "px",
            .help = "between two parts",
            .inRules = true};
}

PropertyInfo indicatorZones() {
    return {.key = "zones",
            .label = "Zones",
            .type = PropertyType::Zones,
            .fallback = ZoneList{},
            .max = 8,
            .help = "parts of the range with a colour of their own; an empty end is that of the range"};
}

void styleLength(Widget& widget, bool oneBit, Colour ground) {
    widget.properties["fill"] = oneBit ? opaque(0x000000) : ground;
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xE0712A);
    widget.properties["border_width"] = int64_t{oneBit ? 1 : 0};
    if (oneBit)
        widget.properties["border"] = opaque(0xFFFFFF);
}

int32_t decimalOfText(RecordBuilder& builder, const std::string& words, int decimals, int32_t otherwise) {
    if (words.empty())
        return otherwise;
    const auto number = decimalFromText(words, decimals);
    if (!number)
        builder.report(Severity::Error, "\"" + words + "\" is not a number", "Write one like 20 or -1.5");
    return number.value_or(otherwise);
}

int32_t decimalOf(RecordBuilder& builder, std::string_view key, int decimals, int32_t otherwise) {
    return decimalOfText(builder, builder.text(key), decimals, otherwise);
}

std::vector<int32_t> zoneNumbers(RecordBuilder& builder, std::string_view key, int decimals, int32_t min, int32_t max) {
    std::vector<int32_t> out;
    const ZoneList zones = std::get<ZoneList>(builder.value(key));
    for (const Zone& each : zones) {
        const int32_t from = decimalOfText(builder, each.from, decimals, min);
        const int32_t to = decimalOfText(builder, each.to, decimals, max);
        if (from > to)
            builder.report(Severity::Error,
                           "zone " + std::to_string(out.size() / GORSE_ZONE_NUMBERS + 1) + " ends before it begins",
                           "Correct its ends");
        for (const int32_t number : {from, to, static_cast<int32_t>(each.colour.argb)})
            out.push_back(number);
    }
    return out;
}

std::optional<NumberVariable> valueOf(RecordBuilder& builder, std::string_view key) {
    if (const auto computed = builder.computedValue(key))
        return computed;
    const std::string name = builder.text(key);
    return name.empty() ? std::nullopt : builder.number(name);
}

std::optional<NumberVariable> completeVariable(RecordBuilder& builder) {
    const auto variable = valueOf(builder, "value");
    builder.record().indicator.variable = variable ? variable->number : static_cast<uint16_t>(GORSE_NONE);
    return variable;
}

std::vector<int32_t> rangeOf(RecordBuilder& builder, const std::optional<NumberVariable>& variable) {
    const int decimals = variable ? variable->decimals : 0;
    std::vector<int32_t> limits{decimalOf(builder, "min", decimals, variable ? variable->min : 0),
                                decimalOf(builder, "max", decimals, variable ? variable->max : 100)};
    if (limits[0] >= limits[1]) {
        builder.report(Severity::Error, "its maximum is not above its minimum", "Correct Minimum or Maximum");
        // The runtime divides by the range.
        limits[0] = std::min(limits[0], std::numeric_limits<int32_t>::max() - 1);
        limits[1] = limits[0] + 1;
    }
    return limits;
}

std::optional<NumberVariable> completeIndicator(RecordBuilder& builder, std::initializer_list<const char*> others) {
    gorse_widget_indicator& indicator = builder.record().indicator;
    const auto variable = completeVariable(builder);
    const int decimals = variable ? variable->decimals : 0;
    std::vector<int32_t> limits = rangeOf(builder, variable);
    for (const char* key : others)
        limits.push_back(decimalOf(builder, key, decimals, limits[0]));
    indicator.limits = builder.keep(std::move(limits));
    return variable;
}

}  // namespace gorsefinch
