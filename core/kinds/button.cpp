// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>

#include "core/kinds/control.h"

namespace gorsefinch {

namespace {

constexpr const char* buttonSides[] = {"left", "right", "above", "below"};
constexpr const char* buttonActs[] = {"momentary", "latching", "choice"};
constexpr const char* kOn = "While it is on";
constexpr const char* kActing = "Acting";

PropertyInfo under(const char* section, PropertyInfo info) {
    info.section = section;
    return info;
}

const std::array buttonProperties{
    PropertyInfo{.key = "text",
                 .label = "Text",
                 .type = PropertyType::Text,
                 .fallback = std::string(),
                 .help = "what it says; {variable} shows a value",
                 .inRules = true},
    PropertyInfo{.key = "image",
                 .label = "Image",
                 .type = PropertyType::Image,
                 .fallback = std::string(),
                 .help = "an image beside the text, or alone"},
    PropertyInfo{.key = "image_side",
                 .label = "Image side",
                 .type = PropertyType::Choice,
                 .fallback = std::string("left"),
                 .help = "on which side of the text the image is",
                 .choices = buttonSides,
                 .inRules = true},
    PropertyInfo{.key = "gap",
                 .label = "Gap",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{6},
                 .max = 255,
                 .unit = "px",
                 .help = "between image and text",
                 .inRules = true},
    PropertyInfo{.key = "align",
                 .label = "Align",
                 .type = PropertyType::Choice,
                 .fallback = std::string("middle"),
                 .help = "alignment of the text",
                 .choices = alignChoices(),
                 .inRules = true},
    under(kActing, controlValue()),
    PropertyInfo{.key = "acts",
                 .label = "Acts",
                 .type = PropertyType::Choice,
                 .fallback = std::string("momentary"),
                 .help = "its value is yes while it is held, is turned over by each tap, or becomes its choice",
                 .section = kActing,
                 .choices = buttonActs},
    under(kActing, choiceProperty("the value that a tap sets; those with the same variable exclude each other")),
    PropertyInfo{.key = "may_clear",
                 .label = "May clear",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "a tap on the one that is chosen sets 0, so that none is",
                 .section = kActing},
    under(kActing, repeatAfter(0)),
    under(kActing, repeatEvery()),
    PropertyInfo{.key = "text_on",
                 .label = "Text",
                 .type = PropertyType::Text,
                 .fallback = std::string(),
                 .help = "what it says while it is on; empty: the same",
                 .hint = "the same",
                 .section = kOn},
    PropertyInfo{.key = "image_on",
                 .label = "Image",
                 .type = PropertyType::Image,
                 .fallback = std::string(),
                 .help = "its image while it is on; none: the same",
                 .section = kOn},
    under(kOn, onColour()),
};

constexpr FieldInfo buttonFields[] = {
    GORSEFINCH_FIELD(gorse_widget_button, image, Image, "image"),
    GORSEFINCH_FIELD(gorse_widget_button, image_side, U8, "image_side"),
    GORSEFINCH_FIELD(gorse_widget_button, gap, U8, "gap"),
    GORSEFINCH_FIELD(gorse_widget_button, variable, Variable),
};

constexpr FieldInfo actingButtonFields[] = {
    GORSEFINCH_FIELD(gorse_widget_acting_button, image_on, Image, "image_on"),
    GORSEFINCH_FIELD(gorse_widget_acting_button, form, Shorts),
};

constexpr const char* buttonLooks[] = {"button", "plain"};

}  // namespace

constexpr RecordInfo buttonRecord{"gorse_widget_button", sizeof(gorse_widget_button), &labelRecord, "label",
                                  buttonFields};
static_assert(isComplete(buttonRecord));
constexpr RecordInfo actingButtonRecord{"gorse_widget_acting_button", sizeof(gorse_widget_acting_button), &buttonRecord,
                                        "button", actingButtonFields};
static_assert(isComplete(actingButtonRecord));

namespace {

constexpr const char* actingSources[] = {"gorse_acting_button.c", "gorse_acting_button.h", "gorse_indicator.c"};
constexpr const char* actingImageSources[] = {"gorse_acting_button.c", "gorse_acting_button.h", "gorse_indicator.c",
                                              "gorse_kind_button_image.c"};
// Buttons without an image do without the code for one, and those that set nothing without that for variables.
constexpr RuntimeKind otherButtons[] = {
    {&gorse_kind_button_image, "gorse_kind_button_image", "gorse_kind_button_image.c", {}, &buttonRecord},
    {&gorse_kind_button_acting.kind,
     "gorse_kind_button_acting.kind",
     "gorse_kind_button_acting.c",
     actingSources,
     nullptr,
     {1},
     true},
    {&gorse_kind_button_acting_image.kind,
     "gorse_kind_button_acting_image.kind",
     "gorse_kind_button_acting_image.c",
     actingImageSources,
     nullptr,
     {1},
     true}};

int16_t highWord(uint32_t value) { return static_cast<int16_t>(value >> 16); }
int16_t lowWord(uint32_t value) { return static_cast<int16_t>(value & 0xffff); }

// What it does beside being pressed, as the runtime takes it.
std::vector<int16_t> buttonForm(RecordBuilder& builder, bool hasVariable) {
    const auto whole = [&](const char* key) {
        return static_cast<int16_t>(static_cast<uint16_t>(std::get<int64_t>(builder.value(key))));
    };
    std::vector<int16_t> form(GORSE_BUTTON_NUMBERS);
    const std::string acts = builder.text("acts");
    form[GORSE_BUTTON_ACTS] = acts == buttonActs[GORSE_ACTS_LATCHING] ? GORSE_ACTS_LATCHING
                              : acts == buttonActs[GORSE_ACTS_CHOICE] ? GORSE_ACTS_CHOICE
                                                                      : GORSE_ACTS_MOMENTARY;
    if (form[GORSE_BUTTON_ACTS] == GORSE_ACTS_CHOICE && hasVariable)
        form[GORSE_BUTTON_CHOICE] = choiceNumberOf(builder);
    if (form[GORSE_BUTTON_ACTS] != GORSE_ACTS_MOMENTARY && builder.text("value").empty())
        builder.report(Severity::Warning, "it acts on no variable", "Choose its Value, or make it momentary");
    form[GORSE_BUTTON_MAY_CLEAR] = std::get<bool>(builder.value("may_clear")) ? 1 : 0;
    if (form[GORSE_BUTTON_MAY_CLEAR] != 0 && form[GORSE_BUTTON_ACTS] == GORSE_ACTS_CHOICE && hasVariable &&
        form[GORSE_BUTTON_CHOICE] == 0)
        builder.report(Severity::Warning, "a tap can't clear it, as its choice is 0", "Give it another choice");
    form[GORSE_BUTTON_REPEAT_AFTER] = whole("repeat_after");
    form[GORSE_BUTTON_REPEAT_EVERY] = whole("repeat_every");
    form[GORSE_BUTTON_TEXT_ON] = static_cast<int16_t>(
        builder.text("text_on").empty() ? static_cast<uint16_t>(GORSE_NONE) : builder.otherText("text_on"));
    const uint32_t colour = std::get<Colour>(builder.value("on_colour")).argb;
    form[GORSE_BUTTON_COLOUR_HIGH] = highWord(colour);
    form[GORSE_BUTTON_COLOUR_LOW] = lowWord(colour);
    return form;
}

void completeButton(RecordBuilder& builder) {
    gorse_widget_acting_button& acting = builder.record().acting;
    gorse_widget_button& button = acting.button;
    button.label.place = GORSE_ALIGN_MIDDLE;
    button.variable = GORSE_NONE;
    const bool repeats = std::get<int64_t>(builder.value("repeat_after")) != 0;
    if (builder.text("value").empty() && builder.text("acts") == buttonActs[GORSE_ACTS_MOMENTARY] && !repeats) {
        if (button.image)
            button.label.widget.kind = &gorse_kind_button_image;
        return;
    }
    const auto variable = controlVariable(builder);
    if (variable)
        button.variable = variable->number;
    acting.form = builder.keepShorts(buttonForm(builder, variable.has_value()));
    button.label.widget.kind = button.image ? &gorse_kind_button_acting_image.kind : &gorse_kind_button_acting.kind;
}

}  // namespace

constinit const KindInfo buttonKind{
    .kind = Kind::Button,
    .key = "button",
    .help = "acts when it is tapped, is held or turned on, or is one of several",
    .group = KindGroup::Controls,
    .suffix = "button",
    .width = 96,
    .height = 34,
    .properties = buttonProperties,
    .record = &actingButtonRecord,
    .traits = kHasText | kIsTouched | kHasBox | kIsToggled | kChanges | kRepeats,
    .runtime = {&gorse_kind_button, "gorse_kind_button", "gorse_kind_button.c", {}, &buttonRecord},
    .otherRuntimes = otherButtons,
    .complete = completeButton,
    .looks = buttonLooks,
    .start = [](Widget& widget, bool) { widget.properties["text"] = std::string("Button"); },
    .sample = [](Widget& widget, bool oneBit) { sampleText(widget, "Press", oneBit); },
    .canBeOn =
        [](const Widget& widget) {
            const auto value = widget.properties.find("value");
            return value != widget.properties.end() && value->second != PropertyValue(std::string());
        },
    .onValue =
        [](const gorse_record& built) {
            const gorse_widget_acting_button& acting = built.acting;
            const bool isChoice = acting.form && acting.form[GORSE_BUTTON_ACTS] == GORSE_ACTS_CHOICE;
            return OnValue{acting.button.variable, isChoice ? acting.form[GORSE_BUTTON_CHOICE] : 1};
        },
};

}  // namespace gorsefinch
