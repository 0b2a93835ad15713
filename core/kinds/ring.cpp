// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>

#include "core/kinds/angles.h"
#include "core/kinds/indicator.h"

namespace gorsefinch {

namespace {

constexpr const char* ringEnds[] = {"flat", "round"};

const std::array ringProperties{
    indicatorValue(),
    indicatorMin(),
    indicatorMax(),
    indicatorOrigin(),
    fromAngle(0),
    toAngle(0),
    PropertyInfo{.key = "thickness",
                 .label = "Thickness",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{8},
                 .min = 1,
                 .max = 255,
                 .unit = "px",
                 .help = "from the outer edge to the inner one",
                 .inRules = true},
    PropertyInfo{.key = "ends",
                 .label = "Ends",
                 .type = PropertyType::Choice,
                 .fallback = std::string("flat"),
                 .help = "of the ring and of what is shown on it; parts are flat",
                 .choices = ringEnds,
                 .inRules = true},
    indicatorParts(),
    indicatorPartGap(),
};

constexpr FieldInfo ringFields[] = {
    GORSEFINCH_FIELD(gorse_widget_ring, from_angle, U16, "from_angle"),
    GORSEFINCH_FIELD(gorse_widget_ring, to_angle, U16, "to_angle"),
    GORSEFINCH_FIELD(gorse_widget_ring, thickness, U8, "thickness"),
    GORSEFINCH_FIELD(gorse_widget_ring, ends, U8, "ends"),
    GORSEFINCH_FIELD(gorse_widget_ring, parts, U8, "parts"),
    GORSEFINCH_FIELD(gorse_widget_ring, part_gap, U8, "part_gap"),
};

constexpr const char* ringSources[] = {"gorse_cover.h", "gorse_cover.c",     "gorse_outline.c", "gorse_sector.c",
                                       "gorse_sine.c",  "gorse_indicator.c", "gorse_ring.c",    "gorse_ring.h"};
constexpr const char* ringLooks[] = {"ring", "progress", "surface"};

}  // namespace

constexpr RecordInfo ringRecord{"gorse_widget_ring", sizeof(gorse_widget_ring), &indicatorRecord, "shown", ringFields};
static_assert(isComplete(ringRecord));

constinit const KindInfo ringKind{
    .kind = Kind::Ring,
    .key = "ring",
    .help = "a part of a ring as long as a value",
    .group = KindGroup::Indicators,
    .suffix = "ring",
    .width = 72,
    .height = 72,
    .properties = ringProperties,
    .record = &ringRecord,
    .traits = kIsInked,
    .state = {2},
    .runtime = {&gorse_kind_ring, "gorse_kind_ring", "gorse_kind_ring.c", ringSources},
    .complete = [](RecordBuilder& builder) { completeIndicator(builder, {"origin"}); },
    .looks = ringLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            widget.properties["thickness"] = int64_t{std::max(1, std::min(widget.w, widget.h) / 8)};
            if (!widget.look.empty())
                return;
            styleLength(widget, oneBit, opaque(0x0E1110));
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["min"] = std::string("-62");
            widget.properties["max"] = std::string("38");
            styleLength(widget, oneBit, opaque(0x2B3436));
            widget.properties["thickness"] = int64_t{oneBit ? 4 : 5};
            widget.properties["parts"] = int64_t{oneBit ? 1 : 12};
            widget.x += (widget.w - widget.h) / 2;
            widget.w = widget.h;
        },
    .round =
        [](const Widget& widget, const WholeOf&) {
            const double radius = std::min(widget.w, widget.h) / 2.0;
            return RoundPlace{widget.w / 2.0, widget.h / 2.0, radius, radius};
        },
};

}  // namespace gorsefinch
