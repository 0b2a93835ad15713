// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/shape_start.h"

namespace gorsefinch {

namespace {

constexpr const char* rectangleLooks[] = {"rectangle", "surface"};

}  // namespace

constexpr RecordInfo rectangleRecord{
    "gorse_widget_rectangle", sizeof(gorse_widget_rectangle), &widgetRecord, "widget", {}};
static_assert(isComplete(rectangleRecord));

constinit const KindInfo rectangleKind{
    .kind = Kind::Rectangle,
    .key = "rectangle",
    .help = "a box with fill, border and corners",
    .group = KindGroup::Shapes,
    .suffix = "box",
    .width = 96,
    .height = 48,
    .properties = {},
    .record = &rectangleRecord,
    .traits = kHasBox,
    .runtime = {&gorse_kind_rectangle, "gorse_kind_rectangle", "gorse_kind_rectangle.c"},
    .looks = rectangleLooks,
    .start = startShape,
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["radius"] = int64_t{6};
            widget.properties["border_width"] = int64_t{oneBit ? 1 : 2};
            widget.properties["border"] = opaque(oneBit ? 0xffffff : 0x5B6660);
            if (!oneBit)
                widget.properties["fill"] = opaque(0x2B3436);
            widget.x += 6;
            widget.w -= 12;
        },
};

}  // namespace gorsefinch
