// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/control.h"

#include <algorithm>
#include <limits>

namespace gorsefinch {

PropertyInfo controlValue() {
    return {.key = "value",
            .label = "Value",
            .type = PropertyType::Variable,
            .fallback = std::string(),
            .help = "the variable that it shows and sets",
            .sets = true};
}

PropertyInfo controlStep() {
    return {.key = "step",
            .label = "Step",
            .type = PropertyType::Decimal,
            .fallback = std::string(),
            .help = "values are whole numbers of it from the minimum on; empty: the smallest that the variable has",
            .hint = "the smallest"};
}

PropertyInfo fillFrom() {
    return {.key = "fill_from",
            .label = "Filled from",
            .type = PropertyType::Decimal,
            .fallback = std::string(),
            .help = "the value from which it is filled; empty: the minimum. A balance is filled from the middle",
            .hint = "the minimum"};
}

PropertyInfo onColour() {
    return {.key = "on_colour",
            .label = "When on",
            .type = PropertyType::Colour,
            .fallback = opaque(kAccentColour),
            .help = "colour of what shows that it is on"};
}

PropertyInfo gripColour() {
    return {.key = "grip_colour",
            .label = "Grip",
            .type = PropertyType::Colour,
            .fallback = opaque(kGripColour),
            .help = "colour of the grip and of the value that is written"};
}

PropertyInfo showsValue(bool fallback) {
    return {.key = "shows_value",
            .label = "Shows value",
            .type = PropertyType::YesNo,
            .fallback = fallback,
            .help = "the value is written: beside the grip while it is moved, in the middle of a knob",
            .inRules = true};
}

PropertyInfo repeatAfter(int fallback) {
    return {.key = "repeat_after",
            .label = "Repeat after",
            .type = PropertyType::Whole,
            .fallback = int64_t{fallback},
            .max = 60000,
            .unit = "ms",
            .help = "how long it is held before it repeats; 0: it does not"};
}

PropertyInfo repeatEvery() {
    return {.key = "repeat_every",
            .label = "Repeat every",
            .type = PropertyType::Whole,
            .fallback = int64_t{120},
            .min = 20,
            .max = 60000,
            .unit = "ms",
            .help = "time between two repeats"};
}

PropertyInfo choiceProperty(const char* help) {
    return {.key = "choice",
            .label = "Choice",
            .type = PropertyType::Words,
            .fallback = std::string(),
            .help = help,
            .hint = "a value"};
}

std::optional<NumberVariable> controlVariable(RecordBuilder& builder) {
    const std::string name = builder.text("value");
    if (name.empty())
        return std::nullopt;
    const auto variable = builder.number(name);
    if (variable && !variable->panelWrites)
        builder.report(Severity::Warning, "only the firmware writes " + name + ", as its settings say",
                       "Let the panel or both write it at the station Variables");
    return variable;
}

std::optional<NumberVariable> completeControl(RecordBuilder& builder) {
    gorse_widget_indicator& control = builder.record().indicator;
    const auto variable = controlVariable(builder);
    control.variable = variable ? variable->number : static_cast<uint16_t>(GORSE_NONE);
    control.yields = variable && !variable->panelWrites ? 1 : 0;
    return variable;
}

void writeValues(RecordBuilder& builder, int32_t min, int decimals) {
    builder.write("0123456789");
    if (min < 0)
        builder.write("-");
    if (decimals > 0)
        builder.write(".");
}

int32_t stepOf(RecordBuilder& builder, int decimals) {
    const int32_t step = decimalOf(builder, "step", decimals, 1);
    if (step <= 0)
        builder.report(Severity::Error, "its step is not above 0", "Correct Step");
    return std::max(step, 1);
}

void completeSlider(RecordBuilder& builder) {
    const auto variable = completeControl(builder);
    const int decimals = variable ? variable->decimals : 0;
    std::vector<int32_t> limits = rangeOf(builder, variable);
    limits.push_back(stepOf(builder, decimals));
    limits.push_back(decimalOf(builder, "fill_from", decimals, limits[0]));
    limits.push_back(static_cast<int32_t>(std::get<Colour>(builder.value("grip_colour")).argb));
    limits.push_back(decimals);
    if (std::get<bool>(builder.value("shows_value")) || builder.changes("shows_value"))
        writeValues(builder, limits[0], decimals);
    builder.record().indicator.limits = builder.keep(std::move(limits));
}

int16_t choiceNumberOf(RecordBuilder& builder) {
    const std::string words = builder.text("choice");
    const std::string variable = builder.text("value");
    if (variable.empty())
        return 0;
    const auto number = builder.valueInWords(variable, words);
    if (!number || *number < std::numeric_limits<int16_t>::min() || *number > std::numeric_limits<int16_t>::max()) {
        builder.report(Severity::Error,
                       words.empty() ? "it has no choice" : "\"" + words + "\" is no value of " + variable,
                       "Write the value in Choice that it sets");
        return 0;
    }
    return static_cast<int16_t>(*number);
}

void sampleLabels(Widget& widget, bool oneBit) {
    widget.look.clear();
    sampleText(widget, "", oneBit);
    widget.properties.erase("text");
    widget.properties.erase("align");
}

void styleControl(Widget& widget, bool oneBit) {
    widget.properties["fill"] = opaque(oneBit ? 0x000000 : 0x0E1110);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : kAccentColour);
    widget.properties["border"] = opaque(oneBit ? 0xFFFFFF : 0x5D6761);
    widget.properties["radius"] = int64_t{oneBit ? 0 : 3};
    if (oneBit) {
        widget.properties["border_width"] = int64_t{1};
        for (const char* key : {"grip_colour", "on_colour"})
            if (findIn(info(widget.kind).properties, key))
                widget.properties[key] = opaque(0xFFFFFF);
    }
}

}  // namespace gorsefinch
