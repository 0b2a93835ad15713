// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/pictures.h"

namespace gorsefinch {

namespace {

constexpr const char* imageRepeats[] = {"once", "tile", "stretch"};
constexpr const char* kTurning = "Turning";
constexpr int kMostTurned = 32400;  // degrees: 90 times round

const PropertyInfo imageProperties[] = {
    {.key = "image",
     .label = "Image",
     .type = PropertyType::Image,
     .fallback = std::string(),
     .help = "which image",
     .required = true},
    {.key = "align",
     .label = "Align",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "horizontal alignment in the box",
     .choices = alignChoices(),
     .inRules = true},
    {.key = "place",
     .label = "Place",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "vertical alignment in the box",
     .choices = placeChoices(),
     .inRules = true},
    {.key = "repeat",
     .label = "Repeat",
     .type = PropertyType::Choice,
     .fallback = std::string("once"),
     .help = "laid over the whole box as tiles, or stretched to it",
     .choices = imageRepeats,
     .inRules = true},
    {.key = "slice",
     .label = "Slice",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .max = 255,
     .unit = "px",
     .help = "at each edge, kept as it is when the rest is stretched",
     .inRules = true},
    mirrorProperty(),
    {.key = "turn",
     .label = "Turn",
     .type = PropertyType::Whole,
     .fallback = int64_t{0},
     .min = -kMostTurned,
     .max = kMostTurned,
     .unit = "\u00b0",
     .help = "clockwise, round the pivot",
     .section = kTurning,
     .inRules = true},
    inSection(kTurning, pivotX()),
    inSection(kTurning, pivotY()),
    paletteEntry(),
    paletteColour(),
};

constexpr FieldInfo imageFields[] = {
    GORSEFINCH_FIELD(gorse_widget_image, image, Image, "image"),
    GORSEFINCH_FIELD(gorse_widget_image, align, U8, "align"),
    GORSEFINCH_FIELD(gorse_widget_image, place, U8, "place"),
    GORSEFINCH_FIELD(gorse_widget_image, mirror, U8, "mirror"),
    GORSEFINCH_FIELD(gorse_widget_image, repeat, U8, "repeat"),
    GORSEFINCH_FIELD(gorse_widget_image, turn, I16, "turn"),
    GORSEFINCH_FIELD(gorse_widget_image, pivot_x, I16, "pivot_x"),
    GORSEFINCH_FIELD(gorse_widget_image, pivot_y, I16, "pivot_y"),
    GORSEFINCH_FIELD(gorse_widget_image, entry, I16, "palette_entry"),
    GORSEFINCH_FIELD(gorse_widget_image, exchanged, Colour, "palette_colour"),
    GORSEFINCH_FIELD(gorse_widget_image, slice, U8, "slice"),
    GORSEFINCH_FIELD(gorse_widget_image, reserved, Padding),
};

constexpr const char* arrangedSources[] = {"gorse_image_part.c", "gorse_image_read.c"};
constexpr const char* turnedSources[] = {"gorse_cover.h", "gorse_turned_image.c", "gorse_sine.c", "gorse_outline.c",
                                         "gorse_cover.c"};
constexpr RuntimeKind plainImage{&gorse_kind_image, "gorse_kind_image", "gorse_kind_image.c"};
// Images that stay as they are do without the code for the others.
constexpr RuntimeKind otherImages[] = {
    {&gorse_kind_image_arranged, "gorse_kind_image_arranged", "gorse_kind_image_arranged.c", arrangedSources},
    {&gorse_kind_image_turned, "gorse_kind_image_turned", "gorse_kind_image_turned.c", turnedSources}};

void completeImage(RecordBuilder& builder) {
    gorse_widget_image& image = builder.record().picture;
    if (!builder.isSet("pivot_x"))
        image.pivot_x = GORSE_PIVOT_MIDDLE;
    if (!builder.isSet("pivot_y"))
        image.pivot_y = GORSE_PIVOT_MIDDLE;
    const bool repeats = image.repeat != GORSE_REPEAT_ONCE || builder.changes("repeat");
    const bool turns = image.turn != 0 || builder.changes("turn");
    if (repeats && turns)
        builder.report(Severity::Warning, "an image that is tiled or stretched is not turned",
                       "Set Repeat to once, or Turn to 0");
    if (repeats || image.mirror != GORSE_MIRROR_NONE || builder.changes("mirror"))
        image.widget.kind = &gorse_kind_image_arranged;
    if (turns && !repeats && isReadableByPixels(builder, "image"))
        image.widget.kind = &gorse_kind_image_turned;
    exchangeColour(builder, image.image, gorse_draw_recoloured_image);
}

}  // namespace

constexpr RecordInfo pictureRecord{"gorse_widget_image", sizeof(gorse_widget_image), &widgetRecord, "widget",
                                   imageFields};
static_assert(isComplete(pictureRecord));

constinit const KindInfo imageKind{
    .kind = Kind::Image,
    .key = "image",
    .help = "a picture",
    .group = KindGroup::Words,
    .suffix = "image",
    .width = 48,
    .height = 48,
    .properties = imageProperties,
    .record = &pictureRecord,
    .traits = kIsInked | kIsPadded | kHasBox,
    .runtime = plainImage,
    .otherRuntimes = otherImages,
    .complete = completeImage,
};

}  // namespace gorsefinch
