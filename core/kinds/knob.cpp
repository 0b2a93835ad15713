// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "core/kinds/angles.h"
#include "core/kinds/control.h"

namespace gorsefinch {

namespace {

constexpr const char* knobTurns[] = {"to the finger", "by its way"};

const std::array knobProperties{
    controlValue(),
    indicatorMin(),
    indicatorMax(),
    controlStep(),
    fromAngle(225),
    toAngle(135),
    PropertyInfo{.key = "turns",
                 .label = "Turns",
                 .type = PropertyType::Choice,
                 .fallback = std::string("to the finger"),
                 .help = "it follows the finger's angle, or its way: to the right and up is more",
                 .choices = knobTurns},
    fillFrom(),
    PropertyInfo{.key = "thickness",
                 .label = "Thickness",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{6},
                 .min = 1,
                 .max = 255,
                 .unit = "px",
                 .help = "of the ring, from its outer edge to the inner one",
                 .inRules = true},
    PropertyInfo{.key = "grip",
                 .label = "Grip size",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{4},
                 .min = 1,
                 .max = 64,
                 .unit = "px",
                 .help = "width of the stroke across the ring",
                 .inRules = true},
    gripColour(),
    showsValue(true),
};

constexpr FieldInfo knobFields[] = {
    GORSEFINCH_FIELD(gorse_widget_knob, from_angle, U16, "from_angle"),
    GORSEFINCH_FIELD(gorse_widget_knob, to_angle, U16, "to_angle"),
    GORSEFINCH_FIELD(gorse_widget_knob, thickness, U8, "thickness"),
    GORSEFINCH_FIELD(gorse_widget_knob, grip, U8, "grip"),
    GORSEFINCH_FIELD(gorse_widget_knob, turns, U8, "turns"),
    GORSEFINCH_FIELD(gorse_widget_knob, shows_value, U8, "shows_value"),
};

constexpr const char* knobSources[] = {"gorse_cover.h", "gorse_cover.c", "gorse_outline.c",   "gorse_sector.c",
                                       "gorse_sine.c",  "gorse_blade.c", "gorse_indicator.c", "gorse_ring.c",
                                       "gorse_blade.h", "gorse_ring.h"};
constexpr const char* knobLooks[] = {"knob"};

}  // namespace

constexpr RecordInfo knobRecord{"gorse_widget_knob", sizeof(gorse_widget_knob), &indicatorRecord, "shown", knobFields};
static_assert(isComplete(knobRecord));

constinit const KindInfo knobKind{
    .kind = Kind::Knob,
    .key = "knob",
    .help = "a ring that is turned to a value",
    .group = KindGroup::Controls,
    .suffix = "knob",
    .width = 80,
    .height = 80,
    .properties = knobProperties,
    .record = &knobRecord,
    .traits = kIsTouched | kIsInked | kHasLabels | kChanges | kIsMoved,
    .state = {4},
    .runtime = {&gorse_kind_knob.kind, "gorse_kind_knob.kind", "gorse_kind_knob.c", knobSources},
    .complete = completeSlider,
    .looks = knobLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            const int side = std::min(widget.w, widget.h);
            widget.properties["thickness"] = int64_t{std::max(1, side / 13)};
            widget.properties["size"] = int64_t{std::clamp(side / 4, 8, 48)};
            if (widget.look.empty())
                styleControl(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["min"] = std::string("-64");
            widget.properties["max"] = std::string("36");
            widget.properties["thickness"] = int64_t{4};
            widget.properties["grip"] = int64_t{3};
            widget.properties["shows_value"] = false;
            styleControl(widget, oneBit);
            if (!oneBit)
                widget.properties["fill"] = opaque(0x2B3436);
            widget.x += (widget.w - widget.h) / 2;
            widget.w = widget.h;
        },
    .round =
        [](const Widget& widget, const WholeOf&) {
            const double radius = std::min(widget.w, widget.h) / 2.0 - 3;
            return RoundPlace{widget.w / 2.0, widget.h / 2.0, radius, radius};
        },
};

}  // namespace gorsefinch
