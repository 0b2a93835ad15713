// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"

namespace gorsefinch {

namespace {

constexpr const char* buttonSides[] = {"left", "right", "above", "below"};

const PropertyInfo buttonProperties[] = {
    {.key = "text",
     .label = "Text",
     .type = PropertyType::Text,
     .fallback = std::string(),
     .help = "what it says; {variable} shows a value",
     .inRules = true},
    {.key = "image",
     .label = "Image",
     .type = PropertyType::Image,
     .fallback = std::string(),
     .help = "an image beside the text, or alone"},
    {.key = "image_side",
     .label = "Image side",
     .type = PropertyType::Choice,
     .fallback = std::string("left"),
     .help = "on which side of the text the image is",
     .choices = buttonSides,
     .inRules = true},
    {.key = "gap",
     .label = "Gap",
     .type = PropertyType::Whole,
     .fallback = int64_t{6},
     .max = 255,
     .unit = "px",
     .help = "between image and text",
     .inRules = true},
    {.key = "align",
     .label = "Align",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "alignment of the text",
     .choices = alignChoices(),
     .inRules = true},
};

constexpr FieldInfo buttonFields[] = {
    GORSEFINCH_FIELD(gorse_widget_button, image, Image, "image"),
    GORSEFINCH_FIELD(gorse_widget_button, image_side, U8, "image_side"),
    GORSEFINCH_FIELD(gorse_widget_button, gap, U8, "gap"),
    GORSEFINCH_FIELD(gorse_widget_button, reserved, Padding),
};

constexpr const char* buttonLooks[] = {"button", "plain"};

constexpr RuntimeKind plainButton{&gorse_kind_button, "gorse_kind_button", "gorse_kind_button.c"};
// Buttons without an image do without the code for one.
constexpr RuntimeKind otherButtons[] = {
    {&gorse_kind_button_image, "gorse_kind_button_image", "gorse_kind_button_image.c"}};

}  // namespace

constexpr RecordInfo buttonRecord{"gorse_widget_button", sizeof(gorse_widget_button), &labelRecord, "label",
                                  buttonFields};
static_assert(isComplete(buttonRecord));

constinit const KindInfo buttonKind{
    .kind = Kind::Button,
    .key = "button",
    .help = "acts when it is tapped",
    .group = KindGroup::Controls,
    .suffix = "button",
    .width = 96,
    .height = 34,
    .properties = buttonProperties,
    .record = &buttonRecord,
    .traits = kHasText | kIsTouched | kHasBox,
    .runtime = plainButton,
    .otherRuntimes = otherButtons,
    .complete =
        [](RecordBuilder& builder) {
            gorse_widget_button& button = builder.record().button;
            button.label.place = GORSE_ALIGN_MIDDLE;
            if (button.image)
                button.label.widget.kind = &gorse_kind_button_image;
        },
    .looks = buttonLooks,
    .start = [](Widget& widget, bool) { widget.properties["text"] = std::string("Button"); },
    .sample = [](Widget& widget, bool oneBit) { sampleText(widget, "Press", oneBit); },
};

}  // namespace gorsefinch
