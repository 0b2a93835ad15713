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
            .help = "the variable whose value it shows; none shows 0"};
}

PropertyInfo indicatorMin() {
    return {.key = "min",
            .label = "Minimum",
            .type = PropertyType::Decimal,
            .fallback = std::string(),
            .help = "the value at its beginning; empty: the variable's minimum"};
}

PropertyInfo indicatorMax() {
    return {.key = "max",
            .label = "Maximum",
            .type = PropertyType::Decimal,
            .fallback = std::string(),
            .help = "the value at its end; empty: the variable's maximum"};
}

int32_t decimalOf(RecordBuilder& builder, std::string_view key, int decimals, int32_t otherwise) {
    const std::string words = builder.text(key);
    if (words.empty())
        return otherwise;
    const auto number = decimalFromText(words, decimals);
    if (!number)
        builder.report(Severity::Error, "\"" + words + "\" is not a number", "Write one like 20 or -1.5");
    return number.value_or(otherwise);
}

void completeIndicator(RecordBuilder& builder, std::initializer_list<const char*> others) {
    gorse_widget_indicator& indicator = builder.record().indicator;
    const std::string name = builder.text("value");
    const auto variable = name.empty() ? std::nullopt : builder.number(name);
    indicator.variable = variable ? variable->number : static_cast<uint16_t>(GORSE_NONE);
    const int decimals = variable ? variable->decimals : 0;
    std::vector<int32_t> limits{decimalOf(builder, "min", decimals, variable ? variable->min : 0),
                                decimalOf(builder, "max", decimals, variable ? variable->max : 100)};
    if (limits[0] >= limits[1]) {
        builder.report(Severity::Error, "its maximum is not above its minimum", "Correct Minimum or Maximum");
        // The runtime divides by the range.
        limits[0] = std::min(limits[0], std::numeric_limits<int32_t>::max() - 1);
        limits[1] = limits[0] + 1;
    }
    for (const char* key : others)
        limits.push_back(decimalOf(builder, key, decimals, limits[0]));
    indicator.limits = builder.keep(std::move(limits));
}

}  // namespace gorsefinch
