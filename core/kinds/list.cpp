// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>
#include <cstdio>

#include "core/kinds/control.h"

namespace gorsefinch {

namespace {

// What the desktop shows for items that the firmware is asked for.
extern "C" void writeSampleItem(uint16_t index, char* text, uint8_t size) {
    std::snprintf(text, size, "Item %u", index + 1u);
}

const std::array listProperties{
    PropertyInfo{.key = "items",
                 .label = "Items",
                 .type = PropertyType::Text,
                 .fallback = std::string(),
                 .help = "a line each; {variable} shows a value. Empty with a choice as its value: the choice's names",
                 .inRules = true},
    PropertyInfo{.key = "asked",
                 .label = "Asked",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "the firmware is asked for the text of each item in sight, one by one"},
    PropertyInfo{.key = "count",
                 .label = "Count",
                 .type = PropertyType::Variable,
                 .fallback = std::string(),
                 .help = "the variable that says how many items the firmware is asked for"},
    PropertyInfo{.key = "value",
                 .label = "Value",
                 .type = PropertyType::Variable,
                 .fallback = std::string(),
                 .help = "the variable with the item that is chosen, from its minimum on",
                 .sets = true},
    PropertyInfo{.key = "item_height",
                 .label = "Item height",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{24},
                 .min = 4,
                 .max = 255,
                 .unit = "px",
                 .help = "how high each item is"},
    PropertyInfo{.key = "snap",
                 .label = "Snaps",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "it comes to stand where an item begins",
                 .inRules = true},
    PropertyInfo{.key = "image",
                 .label = "Image",
                 .type = PropertyType::Image,
                 .fallback = std::string(),
                 .help = "beside each item: its first frame for the first one, and so on; the last for all behind it"},
    PropertyInfo{.key = "align",
                 .label = "Align",
                 .type = PropertyType::Choice,
                 .fallback = std::string("left"),
                 .help = "horizontal alignment of the items",
                 .choices = alignChoices(),
                 .inRules = true},
    onColour(),
};

constexpr FieldInfo listFields[] = {
    GORSEFINCH_FIELD(gorse_widget_list, ask, Function),
    GORSEFINCH_FIELD(gorse_widget_list, image, Animation, "image"),
    GORSEFINCH_FIELD(gorse_widget_list, form, Numbers),
    GORSEFINCH_FIELD(gorse_widget_list, pan, I32, "pan_y"),
    GORSEFINCH_FIELD(gorse_widget_list, variable, Variable),
    GORSEFINCH_FIELD(gorse_widget_list, item_height, U8, "item_height"),
    GORSEFINCH_FIELD(gorse_widget_list, snap, U8, "snap"),
};

constexpr FieldInfo itemsFields[] = {
    GORSEFINCH_FIELD(gorse_widget_text, text, Text, "items"), GORSEFINCH_FIELD(gorse_widget_text, align, U8, "align"),
    GORSEFINCH_FIELD(gorse_widget_text, place, U8),           GORSEFINCH_FIELD(gorse_widget_text, wrap, U8),
    GORSEFINCH_FIELD(gorse_widget_text, reserved, Padding),
};
constexpr RecordInfo itemsRecord{"gorse_widget_text", sizeof(gorse_widget_text), &widgetRecord, "widget", itemsFields};
static_assert(isComplete(itemsRecord));

constexpr const char* listLooks[] = {"list"};

std::string joined(const std::vector<std::string>& lines) {
    std::string out;
    for (const std::string& each : lines)
        out += (out.empty() ? "" : "\n") + each;
    return out;
}

void completeList(RecordBuilder& builder) {
    gorse_widget_list& list = builder.record().list;
    const std::string value = builder.text("value");
    const auto variable = controlVariable(builder);
    list.variable = variable ? variable->number : static_cast<uint16_t>(GORSE_NONE);
    const bool asked = std::get<bool>(builder.value("asked"));
    const std::string counted = builder.text("count");
    const auto count = asked && !counted.empty() ? builder.number(counted) : std::nullopt;
    list.form = builder.keep({static_cast<int32_t>(std::get<Colour>(builder.value("on_colour")).argb),
                              variable ? variable->min : 0, count ? count->number : int32_t{GORSE_NONE}});
    if (asked) {
        list.ask = writeSampleItem;
        if (counted.empty())
            builder.report(Severity::Error, "nothing says how many items it has", "Choose a variable in Count");
        std::string printable;
        for (char c = ' '; c <= '~'; ++c)
            printable += c;
        builder.write(printable);
        builder.useScratch(GORSE_ITEM_BYTES);
        return;
    }
    builder.useScratch(GORSE_ITEM_BYTES);
    if (!builder.text("items").empty() || builder.changes("items") || value.empty())
        return;
    if (const auto names = builder.namesOf(value); !names.empty()) {
        list.label.text = builder.keepWords({joined(names)});
        builder.write(joined(names));
    }
}

void styleList(Widget& widget, bool oneBit) {
    styleControl(widget, oneBit);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xF2EEE4);
    widget.properties["border_width"] = int64_t{1};
}

}  // namespace

constexpr RecordInfo listRecord{"gorse_widget_list", sizeof(gorse_widget_list), &itemsRecord, "label", listFields};
static_assert(isComplete(listRecord));

constinit const KindInfo listKind{
    .kind = Kind::List,
    .key = "list",
    .help = "items below one another, one of which may be chosen; a finger moves them",
    .group = KindGroup::Controls,
    .suffix = "list",
    .width = 140,
    .height = 96,
    .properties = listProperties,
    .record = &listRecord,
    .traits = kIsTouched | kHasBox | kHasLabels | kIsInked | kChanges | kIsToggled,
    .state = {sizeof(gorse_list_state),
              [](const gorse_record&, const gorse_record&, std::span<std::byte>) { return true; }},
    .runtime = {&gorse_kind_list.kind, "gorse_kind_list.kind", "gorse_kind_list.c", kControlSources},
    .complete = completeList,
    .looks = listLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            widget.properties["items"] = std::string("First\nSecond\nThird");
            if (widget.look.empty())
                styleList(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            sampleLabels(widget, oneBit);
            widget.properties["items"] = std::string("Low\nMid");
            widget.properties["item_height"] = int64_t{std::max(widget.h / 2, 4)};
            styleList(widget, oneBit);
        },
};

}  // namespace gorsefinch
