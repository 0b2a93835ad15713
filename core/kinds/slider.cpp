// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "core/kinds/control.h"

namespace gorsefinch {

namespace {

constexpr const char* sliderDirections[] = {"right", "up", "left", "down"};
constexpr const char* sliderMoves[] = {"to the finger", "by the finger"};

const std::array sliderProperties{
    controlValue(),
    indicatorMin(),
    indicatorMax(),
    controlStep(),
    PropertyInfo{.key = "direction",
                 .label = "Direction",
                 .type = PropertyType::Choice,
                 .fallback = std::string("right"),
                 .help = "which way its value grows",
                 .choices = sliderDirections,
                 .inRules = true},
    PropertyInfo{.key = "moves",
                 .label = "Moves",
                 .type = PropertyType::Choice,
                 .fallback = std::string("to the finger"),
                 .help = "the grip jumps to a finger beside it, or moves only as far as the finger does",
                 .choices = sliderMoves,
                 .inRules = true},
    fillFrom(),
    PropertyInfo{.key = "track",
                 .label = "Track",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{4},
                 .min = 1,
                 .max = 255,
                 .unit = "px",
                 .help = "how thick the track is",
                 .inRules = true},
    PropertyInfo{.key = "grip",
                 .label = "Grip size",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{9},
                 .min = 1,
                 .max = 255,
                 .unit = "px",
                 .help = "how long the grip is along the track",
                 .inRules = true},
    PropertyInfo{.key = "grip_image",
                 .label = "Grip image",
                 .type = PropertyType::Image,
                 .fallback = std::string(),
                 .help = "an image instead of the drawn grip, in its own size"},
    gripColour(),
    PropertyInfo{.key = "ticks",
                 .label = "Ticks",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{0},
                 .max = 100,
                 .help = "parts of the range between ticks at its edge; 0: none",
                 .inRules = true},
    showsValue(false),
};

constexpr FieldInfo sliderFields[] = {
    GORSEFINCH_FIELD(gorse_widget_slider, grip_image, Image, "grip_image"),
    GORSEFINCH_FIELD(gorse_widget_slider, direction, U8, "direction"),
    GORSEFINCH_FIELD(gorse_widget_slider, track, U8, "track"),
    GORSEFINCH_FIELD(gorse_widget_slider, grip, U8, "grip"),
    GORSEFINCH_FIELD(gorse_widget_slider, moves, U8, "moves"),
    GORSEFINCH_FIELD(gorse_widget_slider, ticks, U8, "ticks"),
    GORSEFINCH_FIELD(gorse_widget_slider, shows_value, U8, "shows_value"),
    GORSEFINCH_FIELD(gorse_widget_slider, reserved, Padding),
};

constexpr const char* sliderSources[] = {"gorse_indicator.c", "gorse_slider.c", "gorse_slider.h"};
constexpr const char* sliderLooks[] = {"slider"};
// Drawn grips do without the code for images.
constexpr RuntimeKind otherSliders[] = {{&gorse_kind_slider_pictured.kind, "gorse_kind_slider_pictured.kind",
                                         "gorse_kind_slider_pictured.c", sliderSources}};

}  // namespace

constexpr RecordInfo sliderRecord{"gorse_widget_slider", sizeof(gorse_widget_slider), &indicatorRecord, "shown",
                                  sliderFields};
static_assert(isComplete(sliderRecord));

constinit const KindInfo sliderKind{
    .kind = Kind::Slider,
    .key = "slider",
    .help = "a grip on a track, moved to a value",
    .group = KindGroup::Controls,
    .suffix = "slider",
    .width = 140,
    .height = 24,
    .properties = sliderProperties,
    .record = &sliderRecord,
    .traits = kIsTouched | kHasBox | kIsInked | kHasLabels | kChanges | kIsMoved,
    .state = {4},
    .runtime =
        {&gorse_kind_slider.kind, "gorse_kind_slider.kind", "gorse_kind_slider.c", sliderSources, nullptr, {}, true},
    .otherRuntimes = otherSliders,
    .complete =
        [](RecordBuilder& builder) {
            completeSlider(builder);
            if (gorse_widget_slider& slider = builder.record().slider; slider.grip_image)
                slider.shown.widget.kind = &gorse_kind_slider_pictured.kind;
        },
    .looks = sliderLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            if (widget.h > widget.w)
                widget.properties["direction"] = std::string("up");
            if (widget.look.empty())
                styleControl(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["min"] = std::string("-58");
            widget.properties["max"] = std::string("42");
            styleControl(widget, oneBit);
            if (!oneBit)
                widget.properties["fill"] = opaque(0x2B3436);
            const int height = std::min(widget.h, 22);
            widget.y += (widget.h - height) / 2;
            widget.h = height;
            widget.x += 4;
            widget.w -= 8;
        },
};

}  // namespace gorsefinch
