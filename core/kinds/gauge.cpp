// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "core/kinds/angles.h"
#include "core/kinds/indicator.h"
#include "core/kinds/pictures.h"

namespace gorsefinch {

namespace {

PropertyInfo gaugeNumber(const char* key, const char* label, int fallback, int max, const char* unit,
                         const char* help) {
    return {.key = key,
            .label = label,
            .type = PropertyType::Whole,
            .fallback = int64_t{fallback},
            .max = max,
            .unit = unit,
            .help = help};
}

PropertyInfo gaugeColour(const char* key, const char* label, uint32_t fallback, const char* help) {
    return {.key = key, .label = label, .type = PropertyType::Colour, .fallback = opaque(fallback), .help = help};
}

PropertyInfo needlePivot(const char* key, const char* label, const char* help) {
    return {.key = key,
            .label = label,
            .type = PropertyType::Decimal,
            .fallback = std::string(),
            .unit = "px",
            .help = help,
            .hint = "found"};
}

constexpr const char* kScale = "Scale";
constexpr const char* kNeedle = "Needle";
constexpr int kMostNeedle = 2000;  // px of an image from its edge to where it turns, which is kept in 1/16 px

const std::array gaugeProperties{
    indicatorValue(),
    indicatorMin(),
    indicatorMax(),
    indicatorZones(),
    gaugeNumber("zone_width", "Zone width", 3, 255, "px", "of the band that shows the zones"),
    inSection(kScale, PropertyInfo{.key = "image",
                                   .label = "Face",
                                   .type = PropertyType::Image,
                                   .fallback = std::string(),
                                   .help = "an image behind the scale; with Ticks 0 alone"}),
    inSection(kScale, fromAngle(225, false)),
    inSection(kScale, toAngle(135, false)),
    inSection(kScale, gaugeNumber("ticks", "Ticks", 4, 60, "", "parts with a long tick between them; 0 for none")),
    inSection(kScale, gaugeNumber("small_ticks", "Small ticks", 5, 20, "", "parts of each, with short ticks between")),
    inSection(kScale,
              gaugeNumber("tick_length", "Tick length", 8, 255, "px", "of long ticks; short ones are half as long")),
    inSection(kScale,
              gaugeNumber("tick_width", "Tick width", 2, 64, "px", "of long ticks; short ones are half as wide")),
    inSection(kScale, PropertyInfo{.key = "labels",
                                   .label = "Labels",
                                   .type = PropertyType::YesNo,
                                   .fallback = true,
                                   .help = "the value beside each long tick"}),
    inSection(kScale, gaugeNumber("label_decimals", "Decimals", 0, 6, "", "of the labels")),
    inSection(kNeedle, pivotX()),
    inSection(kNeedle, pivotY()),
    inSection(kNeedle, PropertyInfo{.key = "needle_image",
                                    .label = "Image",
                                    .type = PropertyType::Image,
                                    .fallback = std::string(),
                                    .help = "shows the needle pointing up; none draws one",
                                    .pivotKeys = {"needle_pivot_x", "needle_pivot_y"}}),
    inSection(kNeedle, needlePivot("needle_pivot_x", "Its pivot left",
                                   "where the image turns, from its left edge; empty: the middle of its hub")),
    inSection(kNeedle, needlePivot("needle_pivot_y", "Its pivot top",
                                   "where the image turns, from its top edge; empty: the middle of its hub")),
    inSection(kNeedle, gaugeNumber("needle_width", "Width", 7, 255, "px", "at the pivot; it ends in points")),
    inSection(kNeedle,
              gaugeNumber("needle_length", "Length", 0, kMaxPoint, "px", "from the pivot; 0 reaches the ticks")),
    inSection(kNeedle, gaugeNumber("needle_tail", "Tail", 12, kMaxPoint, "px", "behind the pivot")),
    inSection(kNeedle, gaugeNumber("hub", "Hub", 8, 255, "px", "diameter of the disc on the pivot")),
    inSection(kNeedle, gaugeColour("needle_colour", "Colour", 0xF2EEE4, "colour of the needle")),
    inSection(kNeedle, gaugeColour("hub_colour", "Hub colour", 0xE0712A, "colour of the hub")),
    inSection(kNeedle, gaugeNumber("settle", "Settle", 0, 30000, "ms", "until it has come to another value; 0 jumps")),
};

constexpr FieldInfo gaugeFields[] = {
    GORSEFINCH_FIELD(gorse_widget_gauge, face, Shorts),
    GORSEFINCH_FIELD(gorse_widget_gauge, image, Image, "image"),
    GORSEFINCH_FIELD(gorse_widget_gauge, needle_image, Image, "needle_image"),
};

constexpr const char* gaugeSources[] = {"gorse_blade.h",   "gorse_blade.c",    "gorse_cover.h", "gorse_cover.c",
                                        "gorse_outline.c", "gorse_sector.c",   "gorse_sine.c",  "gorse_gauge.h",
                                        "gorse_gauge.c",   "gorse_indicator.c"};
constexpr const char* picturedSources[] = {
    "gorse_blade.h", "gorse_blade.c", "gorse_cover.h", "gorse_cover.c",     "gorse_outline.c",     "gorse_sector.c",
    "gorse_sine.c",  "gorse_gauge.h", "gorse_gauge.c", "gorse_indicator.c", "gorse_turned_image.c"};
// Gauges without an image do without the code for one.
constexpr RuntimeKind otherGauges[] = {
    {&gorse_kind_gauge_pictured, "gorse_kind_gauge_pictured", "gorse_kind_gauge_pictured.c", picturedSources}};

constexpr const char* gaugeLooks[] = {"gauge"};

int sweepOf(const WholeOf& whole) {
    const int sweep = (whole("to_angle") - whole("from_angle") + 720) % 360;
    return sweep == 0 ? 360 : sweep;
}

// How far the scale reaches from the pivot to each side, in parts of its radius.
struct GaugeReach {
    double left = 0, right = 0, above = 0, below = 0;
};

GaugeReach reachOf(const WholeOf& whole) {
    GaugeReach out;
    for (int i = 0, sweep = sweepOf(whole); i <= sweep; ++i) {
        const double angle = (whole("from_angle") + i) * std::numbers::pi / 180;
        out.left = std::max(out.left, -std::sin(angle));
        out.right = std::max(out.right, std::sin(angle));
        out.above = std::max(out.above, std::cos(angle));
        out.below = std::max(out.below, -std::cos(angle));
    }
    return out;
}

// The radius at which a scale that reaches so far comes to an edge a pixel away, 1/512 pixel. The runtime multiplies.
int roomFor(double reach) { return static_cast<int>(std::min(512 / std::max(reach, 1e-6), 32767.0)); }

std::vector<int16_t> faceNumbers(const WholeOf& whole, size_t labels, size_t zones) {
    const GaugeReach reach = reachOf(whole);
    std::vector<int16_t> face(GORSE_GAUGE_NUMBERS);
    const auto set = [&](int at, int value) { face[static_cast<size_t>(at)] = static_cast<int16_t>(value); };
    set(GORSE_GAUGE_FROM_ANGLE, whole("from_angle") % 360);
    set(GORSE_GAUGE_SWEEP, sweepOf(whole));
    set(GORSE_GAUGE_PIVOT_X, whole("pivot_x"));
    set(GORSE_GAUGE_PIVOT_Y, whole("pivot_y"));
    set(GORSE_GAUGE_ROOM_LEFT, roomFor(reach.left));
    set(GORSE_GAUGE_ROOM_RIGHT, roomFor(reach.right));
    set(GORSE_GAUGE_ROOM_ABOVE, roomFor(reach.above));
    set(GORSE_GAUGE_ROOM_BELOW, roomFor(reach.below));
    set(GORSE_GAUGE_TICKS, whole("ticks"));
    set(GORSE_GAUGE_SMALL_TICKS, std::max(1, whole("small_ticks")));
    set(GORSE_GAUGE_TICK_LENGTH, whole("tick_length"));
    set(GORSE_GAUGE_TICK_WIDTH, whole("tick_width"));
    set(GORSE_GAUGE_ZONE_WIDTH, whole("zone_width"));
    set(GORSE_GAUGE_NEEDLE_WIDTH, whole("needle_width"));
    set(GORSE_GAUGE_NEEDLE_LENGTH, whole("needle_length"));
    set(GORSE_GAUGE_NEEDLE_TAIL, whole("needle_tail"));
    set(GORSE_GAUGE_HUB, whole("hub"));
    set(GORSE_GAUGE_SETTLE, whole("settle"));
    set(GORSE_GAUGE_LABELS, static_cast<int>(labels));
    set(GORSE_GAUGE_DECIMALS, whole("label_decimals"));
    set(GORSE_GAUGE_ZONES, static_cast<int>(zones));
    return face;
}

// The values at the ticks, without their points. `decimals` are those of the value.
std::vector<int32_t> labelNumbers(const WholeOf& whole, int32_t min, int32_t max, int decimals) {
    std::vector<int32_t> out;
    const int ticks = whole("ticks");
    // A closed scale has its last tick where the first one is.
    const int last = sweepOf(whole) == 360 ? ticks - 1 : ticks;
    const double scale = std::pow(10, whole("label_decimals") - decimals);
    for (int i = 0; i <= last; ++i) {
        const double value = (min + (double(max) - min) * i / ticks) * scale;
        out.push_back(static_cast<int32_t>(std::clamp(std::round(value), -2147483647.0, 2147483647.0)));
    }
    return out;
}

// Lets the needle be an image: where that turns, and how far it reaches from there.
void setNeedleImage(RecordBuilder& builder, std::vector<int16_t>& face) {
    const auto image = builder.needleImage("needle_image");
    if (!image)
        return;
    if (!isReadableByPixels(builder, "needle_image")) {
        builder.record().gauge.needle_image = nullptr;
        return;
    }
    const auto pivot = [&](const char* key, double found, int size) {
        const int32_t tenths = decimalOf(builder, key, 1, static_cast<int32_t>(std::lround(found * 10)));
        return std::clamp(tenths / 10.0, 0.0, std::min<double>(size, kMostNeedle));
    };
    const double x = pivot("needle_pivot_x", image->hubX, image->width);
    const double y = pivot("needle_pivot_y", image->hubY, image->height);
    const auto set = [&](int at, double value) {
        face[static_cast<size_t>(at)] = static_cast<int16_t>(std::clamp(std::ceil(value), 1.0, 32767.0));
    };
    set(GORSE_GAUGE_NEEDLE_LENGTH, y);
    set(GORSE_GAUGE_NEEDLE_TAIL, image->height - y);
    set(GORSE_GAUGE_NEEDLE_WIDTH, 2 * std::max(x, image->width - x));
    face[GORSE_GAUGE_NEEDLE_PIVOT_X] = static_cast<int16_t>(std::lround(x * 16));
    face[GORSE_GAUGE_NEEDLE_PIVOT_Y] = static_cast<int16_t>(std::lround(y * 16));
}

void completeGauge(RecordBuilder& builder) {
    const auto variable = completeIndicator(builder);
    gorse_widget_gauge& gauge = builder.record().gauge;
    const int decimals = variable ? variable->decimals : 0;
    const WholeOf whole = [&](const char* key) { return static_cast<int>(std::get<int64_t>(builder.value(key))); };
    std::vector<int32_t> limits{gauge.shown.limits[0], gauge.shown.limits[1]};
    for (const char* key : {"needle_colour", "hub_colour"})
        limits.push_back(static_cast<int32_t>(std::get<Colour>(builder.value(key)).argb));
    const std::vector<int32_t> zones = zoneNumbers(builder, "zones", decimals, limits[0], limits[1]);
    std::vector<int32_t> labels;
    if (std::get<bool>(builder.value("labels")) && whole("ticks") > 0) {
        labels = labelNumbers(whole, limits[0], limits[1], decimals);
        builder.write("-.0123456789");
    }
    std::vector<int16_t> face = faceNumbers(whole, labels.size(), zones.size() / GORSE_ZONE_NUMBERS);
    if (!builder.isSet("pivot_x"))
        face[GORSE_GAUGE_PIVOT_X] = GORSE_PIVOT_MIDDLE;
    if (!builder.isSet("pivot_y"))
        face[GORSE_GAUGE_PIVOT_Y] = GORSE_PIVOT_MIDDLE;
    setNeedleImage(builder, face);
    if (gauge.image || gauge.needle_image)
        gauge.shown.widget.kind = &gorse_kind_gauge_pictured;
    gauge.face = builder.keepShorts(std::move(face));
    limits.insert(limits.end(), zones.begin(), zones.end());
    limits.insert(limits.end(), labels.begin(), labels.end());
    gauge.shown.limits = builder.keep(std::move(limits));
}

void styleGauge(Widget& widget, bool oneBit) {
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xD7DBD6);
    if (oneBit) {
        widget.properties["needle_colour"] = opaque(0xFFFFFF);
        widget.properties["hub_colour"] = opaque(0x000000);
    }
}

}  // namespace

constexpr RecordInfo gaugeRecord{"gorse_widget_gauge", sizeof(gorse_widget_gauge), &indicatorRecord, "shown",
                                 gaugeFields};
static_assert(isComplete(gaugeRecord));

constinit const KindInfo gaugeKind{
    .kind = Kind::Gauge,
    .key = "gauge",
    .help = "a needle before a scale, with zones",
    .group = KindGroup::Indicators,
    .suffix = "gauge",
    .width = 96,
    .height = 96,
    .properties = gaugeProperties,
    .record = &gaugeRecord,
    .traits = kIsInked | kHasBox | kHasLabels,
    .state = {sizeof(gorse_gauge_state)},
    .runtime = {&gorse_kind_gauge, "gorse_kind_gauge", "gorse_kind_gauge.c", gaugeSources},
    .otherRuntimes = otherGauges,
    .complete = completeGauge,
    .looks = gaugeLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            widget.properties["size"] = int64_t{std::clamp(widget.w / 9, 8, 16)};
            if (widget.look.empty())
                styleGauge(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            styleGauge(widget, oneBit);
            widget.properties["min"] = std::string("-70");
            widget.properties["max"] = std::string("30");
            widget.properties["pivot_y"] = int64_t{widget.h - 4};
            widget.properties["from_angle"] = int64_t{270};
            widget.properties["to_angle"] = int64_t{90};
            widget.properties["labels"] = false;
            widget.properties["small_ticks"] = int64_t{1};
            widget.properties["ticks"] = int64_t{6};
            widget.properties["tick_length"] = int64_t{5};
            widget.properties["zone_width"] = int64_t{2};
            widget.properties["needle_width"] = int64_t{5};
            widget.properties["needle_tail"] = int64_t{0};
            widget.properties["hub"] = int64_t{6};
            if (!oneBit)
                widget.properties["zones"] = ZoneList{
                    {"", "-10", opaque(0x4F7B58)}, {"-10", "10", opaque(0xE3B505)}, {"10", "", opaque(0xB4532A)}};
        },
    .resize =
        [](Widget& widget, const Widget& was) {
            const auto scale = [&](const char* key, int from, int to) {
                if (const auto at = was.properties.find(key); at != was.properties.end() && from > 0)
                    widget.properties[key] = std::clamp<int64_t>(
                        std::lround(double(std::get<int64_t>(at->second)) * to / from), -kMaxPoint, kMaxPoint);
            };
            scale("pivot_x", was.w, widget.w);
            scale("pivot_y", was.h, widget.h);
        },
    .round =
        [](const Widget& widget, const WholeOf& whole) {
            const GaugeReach reach = reachOf(whole);
            const double x = whole("pivot_x"), y = whole("pivot_y");
            double radius = kMaxPoint;
            for (const auto& [room, part] :
                 {std::pair(x, reach.left), {widget.w - x, reach.right}, {y, reach.above}, {widget.h - y, reach.below}})
                radius = std::clamp(room / std::max(part, 1e-6), 0.0, radius);
            return RoundPlace{x, y, radius, radius};
        },
};

}  // namespace gorsefinch
