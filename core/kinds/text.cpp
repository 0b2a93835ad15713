// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"

namespace gorsefinch {

namespace {

constexpr const char* textOverflows[] = {"cut", "dots", "shrink", "roll"};
constexpr const char* rollWays[] = {"round", "bounce"};
constexpr const char* kRolling = "Rolling";

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
     .choices = alignChoices(),
     .inRules = true},
    {.key = "place",
     .label = "Place",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "vertical alignment of the lines",
     .choices = placeChoices(),
     .inRules = true},
    {.key = "wrap",
     .label = "Wrap",
     .type = PropertyType::YesNo,
     .fallback = false,
     .help = "break lines that are too long at spaces",
     .inRules = true},
    {.key = "overflow",
     .label = "Overflow",
     .type = PropertyType::Choice,
     .fallback = std::string("cut"),
     .help = "a line that is too long is cut, ends in dots, is written in the next smaller size that the "
             "project uses, or rolls; one that wraps is cut or shrinks",
     .choices = textOverflows},
    {.key = "roll",
     .label = "Way",
     .type = PropertyType::Choice,
     .fallback = std::string("round"),
     .help = "a text that rolls comes in again behind itself, or turns back at its end",
     .section = kRolling,
     .choices = rollWays},
    {.key = "roll_speed",
     .label = "Speed",
     .type = PropertyType::Whole,
     .fallback = int64_t{40},
     .min = 1,
     .max = 255,
     .unit = "px/s",
     .help = "how fast it rolls",
     .section = kRolling},
    {.key = "roll_gap",
     .label = "Gap",
     .type = PropertyType::Whole,
     .fallback = int64_t{24},
     .min = 0,
     .max = 255,
     .unit = "px",
     .help = "between its end and its beginning, where it rolls round",
     .section = kRolling},
    {.key = "roll_pause",
     .label = "Pause",
     .type = PropertyType::Whole,
     .fallback = int64_t{1500},
     .min = 0,
     .max = 60000,
     .unit = "ms",
     .help = "that it stands still at its beginning, and at its end where it turns back",
     .section = kRolling},
};

constexpr FieldInfo rollingFields[] = {
    GORSEFINCH_FIELD(gorse_widget_rolling, pause, U16, "roll_pause"),
    GORSEFINCH_FIELD(gorse_widget_rolling, speed, U8, "roll_speed"),
    GORSEFINCH_FIELD(gorse_widget_rolling, gap, U8, "roll_gap"),
    GORSEFINCH_FIELD(gorse_widget_rolling, turns_back, U8, "roll"),
    GORSEFINCH_FIELD(gorse_widget_rolling, reserved, Padding),
};

constexpr FieldInfo shrinkingFields[] = {
    GORSEFINCH_FIELD(gorse_widget_shrinking, next, Font),
    GORSEFINCH_FIELD(gorse_widget_shrinking, last, Font),
};

}  // namespace

constexpr RecordInfo rollingRecord{"gorse_widget_rolling", sizeof(gorse_widget_rolling), &labelRecord, "label",
                                   rollingFields};
static_assert(isComplete(rollingRecord));
constexpr RecordInfo shrinkingRecord{"gorse_widget_shrinking", sizeof(gorse_widget_shrinking), &rollingRecord,
                                     "rolling", shrinkingFields};
static_assert(isComplete(shrinkingRecord));

namespace {

// A text that is the same goes on rolling; its state knows its sum.
bool keepRolling(const gorse_record&, const gorse_record&, std::span<std::byte>) { return true; }

// Texts that are cut do without the code for the others.
constexpr RuntimeKind otherTexts[] = {
    {&gorse_kind_text_dots, "gorse_kind_text_dots", "gorse_kind_text_dots.c", {}, &labelRecord},
    {&gorse_kind_text_roll,
     "gorse_kind_text_roll",
     "gorse_kind_text_roll.c",
     {},
     nullptr,
     {sizeof(gorse_roll_state), keepRolling}},
    {&gorse_kind_text_shrink, "gorse_kind_text_shrink", "gorse_kind_text_shrink.c", {}, &shrinkingRecord}};

void completeText(RecordBuilder& builder) {
    gorse_widget_text& label = builder.record().label;
    const std::string overflow = builder.text("overflow");
    if (overflow == "shrink") {
        gorse_widget_shrinking& shrinking = builder.record().shrinking;
        const std::vector<const gorse_font*> smaller = builder.smallerFonts(2);
        label.widget.kind = &gorse_kind_text_shrink;
        shrinking.next = !smaller.empty() ? smaller[0] : nullptr;
        shrinking.last = smaller.size() > 1 ? smaller[1] : nullptr;
    }
    const bool wraps = overflow == "cut" || overflow == "shrink";
    if (!wraps && builder.changes("wrap"))
        builder.report(Severity::Warning, "it is cut where it is too long, as rules or an expression change Wrap",
                       "Set Overflow to cut or shrink, or Wrap to a value");
    if (label.wrap != 0 || builder.changes("wrap"))
        return;
    if (overflow == "roll")
        label.widget.kind = &gorse_kind_text_roll;
    if (overflow == "dots") {
        label.widget.kind = &gorse_kind_text_dots;
        builder.write(".");
    }
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
    .record = &rollingRecord,
    .traits = kHasText | kHasBox,
    .runtime = {&gorse_kind_text, "gorse_kind_text", "gorse_kind_text.c", {}, &labelRecord},
    .otherRuntimes = otherTexts,
    .complete = completeText,
    .looks = textLooks,
    .start = [](Widget& widget, bool) { widget.properties["text"] = std::string("Text"); },
    .sample = [](Widget& widget, bool oneBit) { sampleText(widget, "Words", oneBit); },
};

}  // namespace gorsefinch
