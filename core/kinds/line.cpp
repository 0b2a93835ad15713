// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"
#include "core/kinds/outline.h"

namespace gorsefinch {

namespace {

constexpr const char* lineEnds[] = {"flat", "round"};

const PropertyInfo lineProperties[] = {
    {.key = "points",
     .label = "Points",
     .type = PropertyType::Points,
     .fallback = PointList{{0, 0}, {31, 15}},
     .min = 2,
     .max = 32,
     .help = "x,y in pixels of the box; drag them on the canvas; a double click on an edge adds one, Ctrl+click "
             "removes one. A stroke that ends where it begins is closed"},
    {.key = "thickness",
     .label = "Thickness",
     .type = PropertyType::Whole,
     .fallback = int64_t{2},
     .min = 1,
     .max = 64,
     .unit = "px",
     .help = "an odd one goes through the middle of pixels, an even one between them",
     .inRules = true},
    {.key = "ends",
     .label = "Ends",
     .type = PropertyType::Choice,
     .fallback = std::string("flat"),
     .help = "of the stroke and of its dashes; corners are pointed with flat ends, else round",
     .choices = lineEnds,
     .inRules = true},
    {.key = "dash",
     .label = "Dash",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .max = 255,
     .unit = "px",
     .help = "length of a dash; 0 for a whole stroke",
     .inRules = true},
    {.key = "dash_gap",
     .label = "Dash gap",
     .type = PropertyType::Whole,
     .fallback = int64_t{4},
     .max = 255,
     .unit = "px",
     .help = "between two dashes",
     .inRules = true},
};

constexpr FieldInfo lineFields[] = {
    GORSEFINCH_FIELD(gorse_widget_line, points, Shorts),
    GORSEFINCH_FIELD(gorse_widget_line, point_count, U8),
    GORSEFINCH_FIELD(gorse_widget_line, is_closed, U8),
    GORSEFINCH_FIELD(gorse_widget_line, thickness, U8, "thickness"),
    GORSEFINCH_FIELD(gorse_widget_line, ends, U8, "ends"),
    GORSEFINCH_FIELD(gorse_widget_line, dash, U8, "dash"),
    GORSEFINCH_FIELD(gorse_widget_line, dash_gap, U8, "dash_gap"),
    GORSEFINCH_FIELD(gorse_widget_line, reserved, Padding),
};

constexpr const char* lineSources[] = {"gorse_cover.h", "gorse_cover.c", "gorse_outline.c", "gorse_sine.c"};
constexpr const char* lineLooks[] = {"line"};

}  // namespace

constexpr RecordInfo lineRecord{"gorse_widget_line", sizeof(gorse_widget_line), &widgetRecord, "widget", lineFields};
static_assert(isComplete(lineRecord));

constinit const KindInfo lineKind{
    .kind = Kind::Line,
    .key = "line",
    .help = "a stroke through points, whole or dashed",
    .group = KindGroup::Shapes,
    .suffix = "line",
    .width = 64,
    .height = 32,
    .properties = lineProperties,
    .record = &lineRecord,
    .traits = kIsInked | kHasBox,
    .runtime = {&gorse_kind_line, "gorse_kind_line", "gorse_kind_line.c", lineSources},
    .complete =
        [](RecordBuilder& builder) {
            Outline outline = strokeOutline(std::get<PointList>(builder.value("points")));
            gorse_widget_line& line = builder.record().line;
            line.point_count = outline.count;
            line.is_closed = outline.isClosed ? 1 : 0;
            line.points = builder.keepShorts(std::move(outline.numbers));
        },
    .looks = lineLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            widget.properties["points"] = PointList{{1, widget.h - 1}, {widget.w - 1, 1}};
            if (widget.look.empty())
                widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xE0712A);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            const int w = widget.w, h = widget.h;
            widget.look.clear();
            widget.properties["points"] =
                PointList{{w / 8, h * 3 / 4}, {w * 3 / 8, h / 2}, {w * 5 / 8, h * 5 / 8}, {w * 7 / 8, h / 4}};
            widget.properties["thickness"] = int64_t{oneBit ? 1 : 2};
            widget.properties["ends"] = std::string("round");
            widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xE0712A);
        },
    .resize =
        [](Widget& widget, const Widget& was) {
            if (const auto points = was.properties.find("points"); points != was.properties.end())
                widget.properties["points"] = scaledPoints(std::get<PointList>(points->second), was, widget);
        },
};

}  // namespace gorsefinch
