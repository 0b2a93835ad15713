// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "core/kinds/control.h"
#include "core/kinds/key_rows.h"

namespace gorsefinch {

namespace {

constexpr const char* keyboardComes[] = {kByItself, "by rules"};

const std::array fieldProperties{
    PropertyInfo{.key = "value",
                 .label = "Value",
                 .type = PropertyType::Variable,
                 .fallback = std::string(),
                 .help = "the text variable that it shows and sets",
                 .sets = true,
                 .ofTexts = true},
    PropertyInfo{.key = "hint",
                 .label = "Hint",
                 .type = PropertyType::Text,
                 .fallback = std::string(),
                 .help = "what it says while it is empty; {variable} shows a value",
                 .inRules = true},
    PropertyInfo{.key = "allowed",
                 .label = "Allowed",
                 .type = PropertyType::Words,
                 .fallback = std::string(kAllowedAll),
                 .help = "what can be typed: all, digits, hex, letters, or the characters themselves"},
    PropertyInfo{.key = "max_length",
                 .label = "Length",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{32},
                 .min = 1,
                 .max = 254,
                 .unit = "characters",
                 .help = "how many characters can be typed, as far as its variable has room"},
    PropertyInfo{.key = "lines",
                 .label = "Lines",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{1},
                 .min = 1,
                 .max = 99,
                 .help = "more than 1: the text is broken into lines, and new lines can be typed"},
    PropertyInfo{.key = "secret",
                 .label = "Secret",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "squares are shown instead of what was typed, after a moment"},
    PropertyInfo{.key = "live",
                 .label = "Live",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "its variable has each character at once, not only when it is done"},
    PropertyInfo{.key = "keyboard",
                 .label = "Keyboard",
                 .type = PropertyType::Choice,
                 .fallback = std::string(kByItself),
                 .help = "comes by itself with the field, or when rules open one",
                 .choices = keyboardComes},
    PropertyInfo{.key = "align",
                 .label = "Align",
                 .type = PropertyType::Choice,
                 .fallback = std::string("left"),
                 .help = "horizontal alignment of the text",
                 .choices = alignChoices(),
                 .inRules = true},
    onColour(),
};

constexpr FieldInfo fieldFields[] = {
    GORSEFINCH_FIELD(gorse_widget_field, allowed, Text),
    GORSEFINCH_FIELD(gorse_widget_field, on_colour, Colour, "on_colour"),
    GORSEFINCH_FIELD(gorse_widget_field, variable, Offset),
    GORSEFINCH_FIELD(gorse_widget_field, keyboard, Offset),
    GORSEFINCH_FIELD(gorse_widget_field, max_length, U8, "max_length"),
    GORSEFINCH_FIELD(gorse_widget_field, lines, U8, "lines"),
    GORSEFINCH_FIELD(gorse_widget_field, flags, U8),
    GORSEFINCH_FIELD(gorse_widget_field, reserved, Padding),
};

constexpr FieldInfo hintFields[] = {
    GORSEFINCH_FIELD(gorse_widget_text, text, Text, "hint"), GORSEFINCH_FIELD(gorse_widget_text, align, U8, "align"),
    GORSEFINCH_FIELD(gorse_widget_text, place, U8),          GORSEFINCH_FIELD(gorse_widget_text, wrap, U8),
    GORSEFINCH_FIELD(gorse_widget_text, reserved, Padding),
};
constexpr RecordInfo hintRecord{"gorse_widget_text", sizeof(gorse_widget_text), &widgetRecord, "widget", hintFields};
static_assert(isComplete(hintRecord));

constexpr const char* fieldLooks[] = {"field"};

std::string printable() {
    std::string out;
    for (char c = ' '; c <= '~'; ++c)
        out += c;
    return out;
}

void completeField(RecordBuilder& builder) {
    gorse_widget_field& field = builder.record().field;
    const std::string allowed = builder.text("allowed");
    const std::string own = allowedCharacters(allowed);
    const std::string name = builder.text("value");
    const auto variable = name.empty() ? std::nullopt : builder.textVariable(name);
    if (name.empty())
        builder.report(Severity::Warning, "what is typed is lost, as it has no variable",
                       "Choose a text variable in Value");
    field.variable = variable.value_or(static_cast<uint16_t>(GORSE_NONE));
    field.keyboard =
        builder.text("keyboard") == kByItself ? builder.keyboardFor(allowed) : static_cast<uint16_t>(GORSE_NONE);
    field.allowed = own.empty() ? nullptr : builder.keepWords({own});
    const auto flag = [&](const char* key, int bit) { return std::get<bool>(builder.value(key)) ? bit : 0; };
    field.flags = static_cast<uint8_t>(flag("secret", GORSE_FIELD_SECRET) | flag("live", GORSE_FIELD_LIVE) |
                                       (allowed == kAllowedLetters ? GORSE_FIELD_LETTERS : 0));
    builder.write(own.empty() ? printable() + builder.inFace(allAccents()) : own);
}

void styleField(Widget& widget, bool oneBit) {
    styleControl(widget, oneBit);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xF2EEE4);
    widget.properties["border_width"] = int64_t{1};
    widget.properties["padding"] = int64_t{oneBit ? 2 : 6};
}

}  // namespace

constexpr RecordInfo fieldRecord{"gorse_widget_field", sizeof(gorse_widget_field), &hintRecord, "label", fieldFields};
static_assert(isComplete(fieldRecord));

constinit const KindInfo fieldKind{
    .kind = Kind::Field,
    .key = "field",
    .help = "a text that is typed: a name, a number, a secret",
    .group = KindGroup::Controls,
    .suffix = "field",
    .width = 140,
    .height = 30,
    .properties = fieldProperties,
    .record = &fieldRecord,
    .traits = kIsTouched | kHasBox | kIsPadded | kHasLabels | kIsInked | kChanges | kIsToggled | kIsTyped,
    .state = {1},
    .runtime = {&gorse_kind_field.kind, "gorse_kind_field.kind", "gorse_kind_field.c", kTypingSources},
    .complete = completeField,
    .looks = fieldLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            widget.properties["hint"] = std::string("Name");
            if (widget.look.empty())
                styleField(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            sampleLabels(widget, oneBit);
            widget.properties["hint"] = std::string("Name");
            widget.h = std::min(widget.h, 26);
            styleField(widget, oneBit);
        },
};

}  // namespace gorsefinch
