// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"

namespace gorsefinch {

namespace {

constexpr const char* textOverflows[] = {"cut", "dots"};

const PropertyInfo textProperties[] = {
    {.key = "text",
     .label = "Text",
     .type = PropertyType::Text,
     .fallback = std::string(),
     .help = "what it says; {variable} shows a value",
     .inRules = true},
    {.key = "align",
     .label = "Align",
     .type = PropertyType::Choice,
     .fallback = std::string("left"),
     .help = "horizontal alignment of the lines",
     .choices = alignChoices()},
    {.key = "place",
     .label = "Place",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "vertical alignment of the lines",
     .choices = placeChoices()},
    {.key = "wrap",
     .label = "Wrap",
     .type = PropertyType::YesNo,
     .fallback = false,
     .help = "break lines that are too long at spaces"},
    {.key = "overflow",
     .label = "Overflow",
     .type = PropertyType::Choice,
     .fallback = std::string("cut"),
     .help = "a line that is too long is cut, or ends in dots; one that wraps is cut",
     .choices = textOverflows},
};

// Texts that are cut do without the code for dots.
constexpr RuntimeKind otherTexts[] = {{&gorse_kind_text_dots, "gorse_kind_text_dots", "gorse_kind_text_dots.c"}};

void completeText(RecordBuilder& builder) {
    gorse_widget_text& label = builder.record().label;
    if (builder.text("overflow") != "dots" || label.wrap != 0)
        return;
    label.widget.kind = &gorse_kind_text_dots;
    builder.write(".");
}

constexpr const char* textLooks[] = {"text", "plain"};

}  // namespace

constinit const KindInfo textKind{
    .kind = Kind::Text,
    .key = "text",
    .help = "words, and values in braces",
    .group = KindGroup::Words,
    .suffix = "text",
    .width = 120,
    .height = 24,
    .properties = textProperties,
    .record = &labelRecord,
    .traits = kHasText | kHasBox,
    .runtime = {&gorse_kind_text, "gorse_kind_text", "gorse_kind_text.c"},
    .otherRuntimes = otherTexts,
    .complete = completeText,
    .looks = textLooks,
    .start = [](Widget& widget, bool) { widget.properties["text"] = std::string("Text"); },
    .sample = [](Widget& widget, bool oneBit) { sampleText(widget, "Words", oneBit); },
};

}  // namespace gorsefinch
