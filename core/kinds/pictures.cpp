// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/pictures.h"

namespace gorsefinch {

namespace {

constexpr const char* kExchanged = "Exchanged colour";
constexpr const char* mirrors[] = {"none", "left-right", "top-bottom"};

PropertyInfo pivotProperty(const char* key, const char* label, int Widget::*whole, HandleType handle,
                           const char* help) {
    return {.key = key,
            .label = label,
            .type = PropertyType::Whole,
            .fallback = int64_t{0},
            .min = -kMaxPoint,
            .max = kMaxPoint,
            .unit = "px",
            .help = help,
            .handle = handle,
            .half = whole};
}

}  // namespace

PropertyInfo mirrorProperty() {
    return {.key = "mirror",
            .label = "Mirror",
            .type = PropertyType::Choice,
            .fallback = std::string("none"),
            .help = "shows the image mirrored; no second one is stored",
            .choices = mirrors,
            .inRules = true};
}

// Dragged as a point: the one is behind the other.
PropertyInfo pivotX() {
    return pivotProperty("pivot_x", "Pivot left", &Widget::w, HandleType::Point,
                         "where it turns, from the left edge; the middle unless set");
}
PropertyInfo pivotY() {
    return pivotProperty("pivot_y", "Pivot top", &Widget::h, HandleType::None,
                         "where it turns, from the top edge; the middle unless set");
}

PropertyInfo inSection(const char* section, PropertyInfo property) {
    property.section = section;
    return property;
}

PropertyInfo paletteEntry() {
    return {.key = "palette_entry",
            .label = "Palette entry",
            .type = PropertyType::Whole,
            .fallback = int64_t{-1},
            .min = -1,
            .max = 255,
            .help = "of an indexed image, counted from 0: it is drawn in the other colour; -1 for none",
            .section = kExchanged,
            .entryOf = "image"};
}

PropertyInfo paletteColour() {
    return {.key = "palette_colour",
            .label = "Other colour",
            .type = PropertyType::Colour,
            .fallback = Colour{0},
            .help = "of the palette entry; none shows what is below",
            .section = kExchanged,
            .inRules = true};
}

void exchangeColour(RecordBuilder& builder, const gorse_image* image, gorse_draw_function* draw) {
    if (std::get<int64_t>(builder.value("palette_entry")) < 0 || !image)
        return;
    if (!image->source || image->source->convert != gorse_convert_palette) {
        builder.report(Severity::Warning,
                       "the image \"" + builder.text("image") + "\" has no palette of its own to exchange a colour of",
                       "Give it an indexed format other than the panel's at the station Images");
        return;
    }
    gorse_widget& widget = builder.record().widget;
    widget.kind = wrappedKind(widget.kind, draw);
}

bool isReadableByPixels(RecordBuilder& builder, const char* property) {
    if (builder.isStoredPlainly(property))
        return true;
    builder.report(
        Severity::Error,
        "the image \"" + builder.text(property) + "\" is packed or lives outside: its pixels can't be turned",
        "Set Pack to plain and Lives in to code at the station Images");
    return false;
}

}  // namespace gorsefinch
