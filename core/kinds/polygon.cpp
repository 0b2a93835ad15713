// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/outline.h"
#include "core/kinds/shape_start.h"

namespace gorsefinch {

namespace {

const PropertyInfo polygonProperties[] = {
    {.key = "points",
     .label = "Points",
     .type = PropertyType::Points,
     .fallback = PointList{{16, 0}, {32, 32}, {0, 32}},
     .min = 3,
     .max = 32,
     .help = "x,y of the corners in pixels of the box; drag them on the canvas. A double click on an edge adds one, "
             "Ctrl+click removes one"},
};

constexpr FieldInfo polygonFields[] = {
    GORSEFINCH_FIELD(gorse_widget_polygon, points, Shorts),
    GORSEFINCH_FIELD(gorse_widget_polygon, border_limit, U16),
    GORSEFINCH_FIELD(gorse_widget_polygon, point_count, U8),
    GORSEFINCH_FIELD(gorse_widget_polygon, reserved, Padding),
};

constexpr const char* polygonSources[] = {"gorse_cover.h", "gorse_cover.c", "gorse_outline.c", "gorse_sine.c"};
constexpr const char* polygonLooks[] = {"polygon", "surface"};

}  // namespace

constexpr RecordInfo polygonRecord{"gorse_widget_polygon", sizeof(gorse_widget_polygon), &widgetRecord, "widget",
                                   polygonFields};
static_assert(isComplete(polygonRecord));

constinit const KindInfo polygonKind{
    .kind = Kind::Polygon,
    .key = "polygon",
    .help = "an area between points",
    .group = KindGroup::Shapes,
    .suffix = "area",
    .width = 48,
    .height = 48,
    .properties = polygonProperties,
    .record = &polygonRecord,
    .runtime = {&gorse_kind_polygon, "gorse_kind_polygon", "gorse_kind_polygon.c", polygonSources},
    .complete =
        [](RecordBuilder& builder) {
            Outline outline = areaOutline(std::get<PointList>(builder.value("points")));
            gorse_widget_polygon& polygon = builder.record().polygon;
            polygon.point_count = outline.count;
            polygon.border_limit = outline.borderLimit;
            polygon.points = builder.keepShorts(std::move(outline.numbers));
        },
    .looks = polygonLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            startShape(widget, oneBit);
            widget.properties["points"] = PointList{{widget.w / 2, 0}, {widget.w, widget.h}, {0, widget.h}};
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            const int middle = widget.w / 2, h = widget.h, half = h / 2;
            widget.look.clear();
            widget.properties["points"] = PointList{
                {middle - half, 2}, {middle, 2}, {middle + half, half}, {middle, h - 2}, {middle - half, h - 2}};
            widget.properties["fill"] = opaque(oneBit ? 0x000000 : 0x4F7B58);
            widget.properties["border_width"] = int64_t{oneBit ? 1 : 0};
            widget.properties["border"] = opaque(0xFFFFFF);
        },
    .resize =
        [](Widget& widget, const Widget& was) {
            if (const auto points = was.properties.find("points"); points != was.properties.end())
                widget.properties["points"] = scaledPoints(std::get<PointList>(points->second), was, widget);
        },
};

}  // namespace gorsefinch
