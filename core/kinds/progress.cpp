// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>

#include "core/kinds/indicator.h"

namespace gorsefinch {

namespace {

constexpr const char* progressDirections[] = {"right", "up", "left", "down"};

const std::array progressProperties{
    indicatorValue(),
    indicatorMin(),
    indicatorMax(),
    indicatorOrigin(),
    PropertyInfo{.key = "direction",
                 .label = "Direction",
                 .type = PropertyType::Choice,
                 .fallback = std::string("right"),
                 .help = "which way it grows",
                 .choices = progressDirections,
                 .inRules = true},
    indicatorParts(),
    indicatorPartGap(),
    PropertyInfo{.key = "image",
                 .label = "Image",
                 .type = PropertyType::Image,
                 .fallback = std::string(),
                 .help = "an image that the value uncovers, instead of a bar"},
};

constexpr FieldInfo progressFields[] = {
    GORSEFINCH_FIELD(gorse_widget_progress, direction, U8, "direction"),
    GORSEFINCH_FIELD(gorse_widget_progress, parts, U8, "parts"),
    GORSEFINCH_FIELD(gorse_widget_progress, part_gap, U8, "part_gap"),
    GORSEFINCH_FIELD(gorse_widget_progress, reserved, Padding),
};

constexpr FieldInfo picturedFields[] = {
    GORSEFINCH_FIELD(gorse_widget_pictured_progress, image, Image, "image"),
};

constexpr const char* progressSources[] = {"gorse_progress.h", "gorse_indicator.c"};
constexpr const char* picturedSources[] = {"gorse_kind_progress.c", "gorse_progress.h", "gorse_indicator.c"};
constexpr const char* progressLooks[] = {"progress", "surface"};

}  // namespace

constexpr RecordInfo progressRecord{"gorse_widget_progress", sizeof(gorse_widget_progress), &indicatorRecord, "shown",
                                    progressFields};
static_assert(isComplete(progressRecord));
constexpr RecordInfo picturedProgressRecord{"gorse_widget_pictured_progress", sizeof(gorse_widget_pictured_progress),
                                            &progressRecord, "bar", picturedFields};
static_assert(isComplete(picturedProgressRecord));

namespace {

// Bars do without the code for images.
constexpr RuntimeKind otherProgress[] = {
    {&gorse_kind_progress_pictured, "gorse_kind_progress_pictured", "gorse_kind_progress_pictured.c", picturedSources}};

void completeProgress(RecordBuilder& builder) {
    completeIndicator(builder, {"origin"});
    if (gorse_widget_pictured_progress& progress = builder.record().pictured_progress;
        progress.image || builder.changes("image"))
        progress.bar.shown.widget.kind = &gorse_kind_progress_pictured;
}

}  // namespace

constinit const KindInfo progressKind{
    .kind = Kind::Progress,
    .key = "progress",
    .help = "a bar as long as a value",
    .group = KindGroup::Indicators,
    .suffix = "progress",
    .width = 120,
    .height = 12,
    .properties = progressProperties,
    .record = &picturedProgressRecord,
    .traits = kIsInked | kIsPadded | kHasBox,
    .state = {2},
    .runtime = {&gorse_kind_progress, "gorse_kind_progress", "gorse_kind_progress.c", progressSources, &progressRecord},
    .otherRuntimes = otherProgress,
    .complete = completeProgress,
    .looks = progressLooks,
    .start =
        [](Widget& widget, bool oneBit) {
            if (!widget.look.empty())
                return;
            styleLength(widget, oneBit, opaque(0x0E1110));
            widget.properties["radius"] = int64_t{3};
            widget.properties["padding"] = int64_t{2};
        },
    .sample =
        [](Widget& widget, bool oneBit) {
            widget.look.clear();
            widget.properties["min"] = std::string("-62");
            widget.properties["max"] = std::string("38");
            styleLength(widget, oneBit, opaque(0x2B3436));
            widget.properties["radius"] = int64_t{3};
            widget.properties["padding"] = int64_t{2};
            widget.x += 4;
            widget.w -= 8;
            widget.y += widget.h / 2 - 7;
            widget.h = 14;
        },
};

}  // namespace gorsefinch
