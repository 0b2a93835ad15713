// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "core/kinds/control.h"

namespace gorsefinch {

namespace {

constexpr const char* checkboxActs[] = {"latching", "choice"};
constexpr const char* checkboxShapes[] = {"square", "round"};

const std::array checkboxProperties{
    PropertyInfo{.key = "text",
                 .label = "Text",
                 .type = PropertyType::Text,
                 .fallback = std::string(),
                 .help = "what it says beside the box; {variable} shows a value",
                 .inRules = true},
    controlValue(),
    PropertyInfo{.key = "acts",
                 .label = "Acts",
                 .type = PropertyType::Choice,
                 .fallback = std::string("latching"),
                 .help = "latching: each tap turns its value over; choice: a tap sets the variable to its choice",
                 .choices = checkboxActs},
    choiceProperty("the value that a tap sets, and at which it is marked"),
    PropertyInfo{.key = "shape",
                 .label = "Shape",
                 .type = PropertyType::Choice,
                 .fallback = std::string("square"),
                 .help = "outline of the box",
                 .choices = checkboxShapes,
                 .inRules = true},
    PropertyInfo{.key = "on_colour",
                 .label = "When on",
                 .type = PropertyType::Colour,
                 .fallback = opaque(kAccentColour),
                 .help = "colour of the mark, and of the border while it is marked",
                 .inRules = true},
};

constexpr FieldInfo checkboxFields[] = {
    GORSEFINCH_FIELD(gorse_widget_checkbox, on_colour, Colour, "on_colour"),
    GORSEFINCH_FIELD(gorse_widget_checkbox, variable, Variable),
    GORSEFINCH_FIELD(gorse_widget_checkbox, choice, I16),
    GORSEFINCH_FIELD(gorse_widget_checkbox, acts, U8),
    GORSEFINCH_FIELD(gorse_widget_checkbox, shape, U8, "shape"),
    GORSEFINCH_FIELD(gorse_widget_checkbox, reserved, Padding),
};

constexpr const char* checkboxLooks[] = {"checkbox"};

void styleCheckbox(Widget& widget, bool oneBit) {
    styleControl(widget, oneBit);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xF2EEE4);
    widget.properties["border_width"] = int64_t{1};
}

}  // namespace

constexpr RecordInfo checkboxRecord{"gorse_widget_checkbox", sizeof(gorse_widget_checkbox), &labelRecord, "label",
                                    checkboxFields};
static_assert(isComplete(checkboxRecord));

constinit const KindInfo checkboxKind{
    .kind = Kind::Checkbox,
    .key = "checkbox",
    .help = "a box to mark, or one of several",
    .group = KindGroup::Controls,
    .suffix = "checkbox",
    .width = 110,
    .height = 24,
    .properties = checkboxProperties,
    .record = &checkboxRecord,
    .traits = kHasText | kIsTouched | kHasBox | kIsToggled | kChanges,
    .state = {1},
    .runtime = {&gorse_kind_checkbox.kind,
                "gorse_kind_checkbox.kind",
                "gorse_kind_checkbox.c",
                kDialSources,
                nullptr,
                {},
                true},
    .complete =
        [](RecordBuilder& builder) {
            const auto variable = controlVariable(builder);
            gorse_widget_checkbox& box = builder.record().checkbox;
            box.label.place = GORSE_ALIGN_MIDDLE;
            box.variable = variable ? variable->number : static_cast<uint16_t>(GORSE_NONE);
            box.acts = GORSE_ACTS_LATCHING;
            if (builder.text("acts") == checkboxActs[1]) {
                box.acts = GORSE_ACTS_CHOICE;
                box.choice = choiceNumberOf(builder);
            }
        },
    .looks = checkboxLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            widget.properties["text"] = std::string("Checkbox");
            if (widget.look.empty())
                styleCheckbox(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            sampleText(widget, "Fan", oneBit);
            widget.properties.erase("align");
            styleCheckbox(widget, oneBit);
        },
    .onValue =
        [](const gorse_record& built) {
            const gorse_widget_checkbox& box = built.checkbox;
            return OnValue{box.variable, box.acts == GORSE_ACTS_CHOICE ? box.choice : 1};
        },
};

}  // namespace gorsefinch
