// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/angles.h"
#include "core/kinds/shape_start.h"

namespace gorsefinch {

namespace {

const PropertyInfo discProperties[] = {
    {.key = "hole",
     .label = "Hole",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .min = 0,
     .max = 99,
     .unit = "%",
     .help = "how much of the radius is left open in the middle",
     .inRules = true},
    fromAngle(0),
    toAngle(0),
};

constexpr FieldInfo discFields[] = {
    GORSEFINCH_FIELD(gorse_widget_disc, from_angle, U16, "from_angle"),
    GORSEFINCH_FIELD(gorse_widget_disc, to_angle, U16, "to_angle"),
    GORSEFINCH_FIELD(gorse_widget_disc, hole, U8, "hole"),
    GORSEFINCH_FIELD(gorse_widget_disc, reserved, Padding),
};

constexpr const char* discSources[] = {"gorse_cover.h", "gorse_cover.c", "gorse_outline.c", "gorse_sector.c",
                                       "gorse_sine.c"};
constexpr const char* discLooks[] = {"disc", "surface"};

}  // namespace

constexpr RecordInfo discRecord{"gorse_widget_disc", sizeof(gorse_widget_disc), &widgetRecord, "widget", discFields};
static_assert(isComplete(discRecord));

constinit const KindInfo discKind{
    .kind = Kind::Disc,
    .key = "disc",
    .help = "an ellipse, a ring, or a sector of one",
    .group = KindGroup::Shapes,
    .suffix = "disc",
    .width = 48,
    .height = 48,
    .properties = discProperties,
    .record = &discRecord,
    .runtime = {&gorse_kind_disc, "gorse_kind_disc", "gorse_kind_disc.c", discSources},
    .looks = discLooks,
    .start = startShape,
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["hole"] = int64_t{58};
            widget.properties["from_angle"] = int64_t{225};
            widget.properties["to_angle"] = int64_t{135};
            widget.properties["fill"] = opaque(oneBit ? 0xFFFFFF : 0x4F7B58);
            widget.x += (widget.w - widget.h) / 2;
            widget.w = widget.h;
        },
    .round =
        [](const Widget& widget, const WholeOf&) {
            return RoundPlace{widget.w / 2.0, widget.h / 2.0, widget.w / 2.0, widget.h / 2.0};
        },
};

}  // namespace gorsefinch
