// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <charconv>

#include "core/kinds/shape_start.h"

namespace gorsefinch {

namespace {

constexpr const char* directions[] = {"down", "right"};

const PropertyInfo rectangleProperties[] = {
    {.key = "fill_to",
     .label = "Fill to",
     .type = PropertyType::Colour,
     .fallback = Colour{0},
     .help = "the fill passes into this colour; none leaves it as it is",
     .inRules = true},
    {.key = "direction",
     .label = "Direction",
     .type = PropertyType::Choice,
     .fallback = std::string("down"),
     .help = "of the passage from one colour to the other",
     .choices = directions,
     .inRules = true},
    {.key = "corners",
     .label = "Corners",
     .type = PropertyType::Words,
     .fallback = std::string(),
     .help = "four radii in pixels, from the top left one clockwise: 8 8 0 0",
     .hint = "as Corner"},
};

constexpr FieldInfo shadedFields[] = {
    GORSEFINCH_FIELD(gorse_widget_shaded, fill_to, Colour, "fill_to"),
    GORSEFINCH_FIELD(gorse_widget_shaded, corners, U8),
    GORSEFINCH_FIELD(gorse_widget_shaded, direction, U8, "direction"),
    GORSEFINCH_FIELD(gorse_widget_shaded, by_radius, U8),
    GORSEFINCH_FIELD(gorse_widget_shaded, reserved, Padding),
};

// Four numbers with spaces or commas between them; false for anything else.
bool readCorners(const std::string& text, uint8_t (&corners)[4]) {
    const char* at = text.data();
    const char* const end = at + text.size();
    const auto skip = [&] { at = std::find_if(at, end, [](char c) { return c != ' ' && c != ','; }); };
    for (uint8_t& corner : corners) {
        skip();
        const auto [next, error] = std::from_chars(at, end, corner);
        if (error != std::errc())
            return false;
        at = next;
    }
    skip();
    return at == end;
}

void completeRectangle(RecordBuilder& builder) {
    gorse_widget_shaded& shaded = builder.record().shaded;
    const std::string corners = builder.text("corners");
    shaded.by_radius = corners.empty() ? 1 : 0;
    if (!corners.empty() && !readCorners(corners, shaded.corners)) {
        builder.report(Severity::Error, "\"" + corners + "\" is no list of four radii from 0 to 255",
                       "Write four numbers, such as 8 8 0 0, or nothing");
        shaded.by_radius = 1;
    }
    if (shaded.by_radius == 0 || shaded.fill_to != GORSE_SHADED_SAME || builder.changes("fill_to"))
        shaded.box.widget.kind = &gorse_kind_rectangle_shaded;
}

constexpr const char* rectangleLooks[] = {"rectangle", "surface"};

constexpr RecordInfo rectangleRecord{
    "gorse_widget_rectangle", sizeof(gorse_widget_rectangle), &widgetRecord, "widget", {}};
static_assert(isComplete(rectangleRecord));

// A rectangle of one colour does without the code for the others.
constexpr RuntimeKind otherRectangles[] = {{&gorse_kind_rectangle_shaded,
                                            "gorse_kind_rectangle_shaded",
                                            "gorse_kind_rectangle_shaded.c",
                                            {},
                                            nullptr,
                                            {},
                                            true}};

}  // namespace

constexpr RecordInfo shadedRecord{"gorse_widget_shaded", sizeof(gorse_widget_shaded), &rectangleRecord, "box",
                                  shadedFields};
static_assert(isComplete(shadedRecord));

constinit const KindInfo rectangleKind{
    .kind = Kind::Rectangle,
    .key = "rectangle",
    .help = "a box with fill, border and corners",
    .group = KindGroup::Shapes,
    .suffix = "box",
    .width = 96,
    .height = 48,
    .properties = rectangleProperties,
    .record = &shadedRecord,
    .traits = kHasBox,
    .runtime = {&gorse_kind_rectangle, "gorse_kind_rectangle", "gorse_kind_rectangle.c", {}, &rectangleRecord},
    .otherRuntimes = otherRectangles,
    .complete = completeRectangle,
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
