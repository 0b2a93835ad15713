// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/content_size.h"

#include <algorithm>

#include "core/document/widget_tree.h"
#include "core/scene/clipped_texts.h"
#include "core/scene/text_widths.h"

namespace gorsefinch {

namespace {

int linesOf(const std::string& text) { return 1 + static_cast<int>(std::count(text.begin(), text.end(), '\n')); }

// What a text, a button or a readout can show.
std::optional<ContentSize> sizeOfTexts(const ScreenPart& part, size_t widget, const gorse_record& record) {
    const gorse_font* font = record.widget.look->font;
    const bool isReadout = part.source->widgets[widget]->kind == Kind::Readout;
    if (!font || (!isReadout && record.label.wrap != 0))
        return std::nullopt;
    ContentSize out;
    bool any = false;
    for (const LongestText& each : part.longest) {
        if (each.widget != widget)
            continue;
        any = true;
        out.w = std::max(out.w, widthOf(each, record, *font));
        out.h = std::max(out.h, font->line_height * linesOf(each.text));
    }
    if (any || isReadout)
        return any ? std::optional(out) : std::nullopt;
    if (record.widget.capacity != 0 || !record.label.text)
        return std::nullopt;
    const std::string text = reinterpret_cast<const char*>(record.label.text);
    return ContentSize{widestLine(*font, text), font->line_height * linesOf(text)};
}

std::optional<ContentSize> sizeOfHeld(const std::vector<WidgetRef>& widgets, size_t container) {
    ContentSize out;
    for (size_t i = container + 1; i < endOf(widgets, container); i = endOf(widgets, i)) {
        out.w = std::max(out.w, widgets[i]->x + widgets[i]->w);
        out.h = std::max(out.h, widgets[i]->y + widgets[i]->h);
    }
    return out.w > 0 && out.h > 0 ? std::optional(out) : std::nullopt;
}

}  // namespace

std::optional<ContentSize> contentSizeOf(const BuiltScene& scene, size_t screen, size_t widget) {
    const ScreenPart& part = *scene.parts[screen];
    const gorse_record& record = scene.tables[screen]->records[widget];
    const Kind kind = part.source->widgets[widget]->kind;
    if (info(kind).has(kHolds))
        return kind == Kind::Group ? sizeOfHeld(part.source->widgets, widget) : std::nullopt;
    std::optional<ContentSize> out;
    if (kind == Kind::Image && record.picture.image)
        out = ContentSize{record.picture.image->width, record.picture.image->height};
    else if (kind == Kind::Text || kind == Kind::Button || kind == Kind::Readout)
        out = sizeOfTexts(part, widget, record);
    if (!out)
        return std::nullopt;
    const int around = 2 * (record.widget.look->border_width + record.widget.look->padding);
    return ContentSize{out->w + around, out->h + around};
}

}  // namespace gorsefinch
