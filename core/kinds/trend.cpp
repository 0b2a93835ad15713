// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>
#include <limits>

#include "core/kinds/indicator.h"
#include "runtime/gorse_internal.h"

namespace gorsefinch {

namespace {

constexpr const char* trendRuns[] = {"scroll", "sweep"};
constexpr const char* kFurtherSection = "Further values";
constexpr const char* kRecordingSection = "Recording";
constexpr const char* kGridSection = "Grid";

// The values behind the first, with the colours of those that set none.
struct FurtherValue {
    const char *value, *label, *colour;
    uint32_t rgb;
};
constexpr FurtherValue furtherValues[] = {{"value_2", "Second", "colour_2", 0x7FA287},
                                          {"value_3", "Third", "colour_3", 0xE3B505},
                                          {"value_4", "Fourth", "colour_4", 0x93A7C4}};

PropertyInfo furtherValue(const FurtherValue& which) {
    return {.key = which.value,
            .label = which.label,
            .type = PropertyType::Variable,
            .fallback = std::string(),
            .help = "another value in the same range, or none",
            .section = kFurtherSection,
            .isValue = true};
}

PropertyInfo furtherColour(const FurtherValue& which) {
    return {.key = which.colour,
            .label = "Colour",
            .type = PropertyType::Colour,
            .fallback = opaque(which.rgb),
            .help = "of the value above",
            .section = kFurtherSection};
}

PropertyInfo gridParts(const char* key, const char* label, const char* help) {
    return {.key = key,
            .label = label,
            .type = PropertyType::Whole,
            .fallback = int64_t{4},
            .min = 1,
            .max = 50,
            .help = help,
            .section = kGridSection,
            .inRules = true};
}

const std::array trendProperties{
    indicatorValue(),
    indicatorMin(),
    indicatorMax(),
    PropertyInfo{.key = "fit",
                 .label = "Fitted",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "the edges are the smallest and the largest sample, within minimum and maximum"},
    PropertyInfo{.key = "run",
                 .label = "Runs",
                 .type = PropertyType::Choice,
                 .fallback = std::string("scroll"),
                 .help =
                     "the newest sample is at the right and all move, or it replaces the oldest where that is: then "
                     "little is drawn",
                 .choices = trendRuns},
    PropertyInfo{.key = "thickness",
                 .label = "Thickness",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{1},
                 .min = 1,
                 .max = 8,
                 .unit = "px",
                 .help = "of the strokes",
                 .inRules = true},
    PropertyInfo{.key = "area",
                 .label = "Area",
                 .type = PropertyType::YesNo,
                 .fallback = false,
                 .help = "what is below a value is filled with a quarter of its colour"},
    PropertyInfo{.key = "samples",
                 .label = "Samples",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{120},
                 .min = 2,
                 .max = 1000,
                 .help = "that are kept and shown; each takes 2 bytes of RAM for each value",
                 .section = kRecordingSection},
    PropertyInfo{.key = "interval",
                 .label = "Interval",
                 .type = PropertyType::Whole,
                 .fallback = int64_t{1000},
                 .max = 86400000,
                 .unit = "ms",
                 .help = "from one sample to the next; 0: a rule or the firmware says when",
                 .section = kRecordingSection},
    gridParts("grid_x", "Across", "parts between lines in the colour of the border"),
    gridParts("grid_y", "Down", "parts between lines in the colour of the border"),
    furtherValue(furtherValues[0]),
    furtherColour(furtherValues[0]),
    furtherValue(furtherValues[1]),
    furtherColour(furtherValues[1]),
    furtherValue(furtherValues[2]),
    furtherColour(furtherValues[2]),
};

constexpr FieldInfo trendFields[] = {
    GORSEFINCH_FIELD(gorse_widget_trend, samples, U16, "samples"),
    GORSEFINCH_FIELD(gorse_widget_trend, values, U8),
    GORSEFINCH_FIELD(gorse_widget_trend, thickness, U8, "thickness"),
    GORSEFINCH_FIELD(gorse_widget_trend, grid_x, U8, "grid_x"),
    GORSEFINCH_FIELD(gorse_widget_trend, grid_y, U8, "grid_y"),
    GORSEFINCH_FIELD(gorse_widget_trend, flags, U8),
    GORSEFINCH_FIELD(gorse_widget_trend, reserved, Padding),
};

constexpr const char* trendLooks[] = {"trend"};

// A limit of a value with other decimals, rounded to the side of `add`: 0 down, or up.
int32_t rescaled(int32_t limit, int from, int to, bool up) {
    int64_t number = limit;
    for (; from < to; ++from)
        number *= 10;
    for (; from > to; --from) {
        const bool isWhole = number % 10 == 0;
        const bool below = number < 0;
        number = number / 10 + (isWhole ? 0 : up && !below ? 1 : !up && below ? -1 : 0);
    }
    return static_cast<int32_t>(
        std::clamp<int64_t>(number, std::numeric_limits<int32_t>::min(), std::numeric_limits<int32_t>::max()));
}

void addFurther(RecordBuilder& builder, int decimals, std::vector<int32_t>& courses) {
    const int32_t min = courses[GORSE_COURSE_MIN], max = courses[GORSE_COURSE_MAX];
    for (const FurtherValue& each : furtherValues) {
        const auto value = valueOf(builder, each.value);
        if (!value)
            continue;
        int32_t low = rescaled(min, decimals, value->decimals, false);
        const int32_t high = rescaled(max, decimals, value->decimals, true);
        // The runtime divides by the range.
        low = std::min(low, high == std::numeric_limits<int32_t>::min() ? high : high - 1);
        courses.insert(courses.end(), {low, high, value->number,
                                       static_cast<int32_t>(std::get<Colour>(builder.value(each.colour)).argb)});
    }
}

void completeTrend(RecordBuilder& builder) {
    const auto variable = completeIndicator(builder);
    gorse_widget_trend& trend = builder.record().trend;
    std::vector<int32_t> courses{trend.shown.limits[0], trend.shown.limits[1], trend.shown.variable, 0};
    addFurther(builder, variable ? variable->decimals : 0, courses);
    trend.values = static_cast<uint8_t>(courses.size() / GORSE_COURSE_NUMBERS);
    courses.push_back(static_cast<int32_t>(std::get<int64_t>(builder.value("interval"))));
    trend.shown.limits = builder.keep(std::move(courses));
    const auto flag = [&](const char* key, int bit) { return std::get<bool>(builder.value(key)) ? bit : 0; };
    trend.flags = static_cast<uint8_t>((builder.text("run") == trendRuns[1] ? GORSE_TREND_SWEEP : 0) |
                                       flag("area", GORSE_TREND_AREA) | flag("fit", GORSE_TREND_FIT));
}

void styleTrend(Widget& widget, bool oneBit) {
    widget.properties["fill"] = opaque(oneBit ? 0x000000 : 0x0E1110);
    widget.properties["colour"] = opaque(oneBit ? 0xFFFFFF : 0xE0712A);
    widget.properties["border"] = opaque(oneBit ? 0xFFFFFF : 0x2B3436);
    widget.properties["border_width"] = int64_t{1};
    if (!oneBit)
        return;
    // A grid would be as bright as what it is for.
    widget.properties["grid_x"] = widget.properties["grid_y"] = int64_t{1};
}

}  // namespace

constexpr RecordInfo trendRecord{"gorse_widget_trend", sizeof(gorse_widget_trend), &indicatorRecord, "shown",
                                 trendFields};
static_assert(isComplete(trendRecord));

constinit const KindInfo trendKind{
    .kind = Kind::Trend,
    .key = "trend",
    .help = "the course of up to four values over time",
    .group = KindGroup::Indicators,
    .suffix = "trend",
    .width = 160,
    .height = 80,
    .properties = trendProperties,
    .record = &trendRecord,
    .traits = kIsInked | kIsPadded | kHasBox | kRecords,
    .runtime = {&gorse_kind_trend, "gorse_kind_trend", "gorse_kind_trend.c", kIndicatorSources},
    .complete = completeTrend,
    .keeps =
        [](const gorse_record& built) {
            return Keeps{static_cast<long>(sizeof(gorse_recording)) +
                             (2L * built.trend.samples * built.trend.values + 3) / 4 * 4,
                         true};
        },
    .looks = trendLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            widget.properties["samples"] = int64_t{std::clamp(widget.w - 2, 2, 1000)};
            if (widget.look.empty())
                styleTrend(widget, oneBit);
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            styleTrend(widget, oneBit);
            widget.properties["min"] = std::string("0");
            widget.properties["max"] = std::string("100");
            widget.properties["samples"] = int64_t{widget.w - 2};
            widget.properties["area"] = true;
        },
};

}  // namespace gorsefinch
