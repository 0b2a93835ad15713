// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/kinds.h"

namespace gorsefinch {

namespace {

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
     .choices = alignChoices()},
    {.key = "place",
     .label = "Place",
     .type = PropertyType::Choice,
     .fallback = std::string("middle"),
     .help = "vertical alignment in the box",
     .choices = placeChoices()},
};

constexpr FieldInfo imageFields[] = {
    GORSEFINCH_FIELD(gorse_widget_image, image, Image, "image"),
    GORSEFINCH_FIELD(gorse_widget_image, align, U8, "align"),
    GORSEFINCH_FIELD(gorse_widget_image, place, U8, "place"),
    GORSEFINCH_FIELD(gorse_widget_image, reserved, Padding),
};

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
    .runtime = {&gorse_kind_image, "gorse_kind_image", "gorse_kind_image.c"},
};

}  // namespace gorsefinch
