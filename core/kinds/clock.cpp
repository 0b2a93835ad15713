// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/kinds/kinds.h"

namespace gorsefinch {

namespace {

PropertyInfo clockHand(const char* key, const char* label, const char* help) {
    return {.key = key, .label = label, .type = PropertyType::YesNo, .fallback = true, .help = help};
}

const PropertyInfo clockProperties[] = {
    clockHand("hour", "Hour", "shows the hand of hours"),
    clockHand("minute", "Minute", "shows the hand of minutes"),
    clockHand("second", "Second", "shows the hand of seconds"),
    {.key = "hand_width",
     .label = "Hand width",
     .type = PropertyType::Whole,
     .fallback = int64_t{6},
     .min = 1,
     .max = 255,
     .unit = "px",
     .help = "of the hand of hours at its middle; the others are narrower",
     .inRules = true},
    {.key = "second_colour",
     .label = "Second colour",
     .type = PropertyType::Colour,
     .fallback = opaque(0xE0712A),
     .help = "of the hand of seconds and the hub; the others have the look's colour",
     .inRules = true},
    {.key = "ticks",
     .label = "Ticks",
     .type = PropertyType::Whole,
     .fallback = int64_t{12},
     .max = 60,
     .help = "round the face; of 60 each fifth is long; 0 for none",
     .inRules = true},
    {.key = "image",
     .label = "Face",
     .type = PropertyType::Image,
     .fallback = std::string(),
     .help = "an image behind the hands"},
};

constexpr FieldInfo clockFields[] = {
    GORSEFINCH_FIELD(gorse_widget_clock, image, Image, "image"),
    GORSEFINCH_FIELD(gorse_widget_clock, second_colour, Colour, "second_colour"),
    GORSEFINCH_FIELD(gorse_widget_clock, clock, Variable),
    GORSEFINCH_FIELD(gorse_widget_clock, hands, U8),
    GORSEFINCH_FIELD(gorse_widget_clock, ticks, U8, "ticks"),
    GORSEFINCH_FIELD(gorse_widget_clock, hand_width, U8, "hand_width"),
    GORSEFINCH_FIELD(gorse_widget_clock, reserved, Padding),
};

constexpr const char* clockSources[] = {"gorse_cover.h", "gorse_cover.c", "gorse_outline.c", "gorse_sector.c",
                                        "gorse_sine.c",  "gorse_blade.h", "gorse_blade.c"};
constexpr const char* clockLooks[] = {"clock", "gauge"};

void completeClock(RecordBuilder& builder) {
    gorse_widget_clock& clock = builder.record().clock;
    const auto bit = [&](const char* key, int bits) { return std::get<bool>(builder.value(key)) ? bits : 0; };
    clock.hands = static_cast<uint8_t>(bit("hour", GORSE_CLOCK_SHOWS_HOUR) | bit("minute", GORSE_CLOCK_SHOWS_MINUTE) |
                                       bit("second", GORSE_CLOCK_SHOWS_SECOND));
    // Each field that is used, so that nothing is woken for others.
    const auto minute = builder.clockNumber("minute");
    clock.clock = GORSE_NONE;
    if (!minute || !builder.clockNumber("hour"))
        return;
    if ((clock.hands & GORSE_CLOCK_SHOWS_SECOND) != 0)
        (void)builder.clockNumber("second");
    clock.clock = static_cast<uint16_t>(*minute - GORSE_CLOCK_MINUTE);
}

void styleClock(Widget& widget, bool oneBit) {
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xD7DBD6);
    widget.properties["hand_width"] = int64_t{std::clamp(std::min(widget.w, widget.h) / 14, 2, 9)};
    if (oneBit)
        widget.properties["second_colour"] = opaque(0xFFFFFF);
}

}  // namespace

constexpr RecordInfo clockRecord{"gorse_widget_clock", sizeof(gorse_widget_clock), &widgetRecord, "widget",
                                 clockFields};
static_assert(isComplete(clockRecord));

constinit const KindInfo clockKind{
    .kind = Kind::Clock,
    .key = "clock",
    .help = "the hands of a clock, which follow the project's clock",
    .group = KindGroup::Words,
    .suffix = "clock",
    .width = 96,
    .height = 96,
    .properties = clockProperties,
    .record = &clockRecord,
    .traits = kIsInked | kHasBox | kIsPadded,
    .state = {sizeof(gorse_clock_time)},
    .runtime = {&gorse_kind_clock, "gorse_kind_clock", "gorse_kind_clock.c", clockSources},
    .complete = completeClock,
    .looks = clockLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            if (widget.look.empty())
                styleClock(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            styleClock(widget, oneBit);
            widget.properties["hand_width"] = int64_t{4};
            widget.properties["ticks"] = int64_t{4};
            const int side = std::min(widget.w, widget.h);
            widget.x += (widget.w - side) / 2;
            widget.y += (widget.h - side) / 2;
            widget.w = widget.h = side;
        },
};

}  // namespace gorsefinch
