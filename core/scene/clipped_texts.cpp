// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/clipped_texts.h"

#include <algorithm>

#include "core/base/problem_codes.h"
#include "core/scene/text_widths.h"

namespace gorsefinch {

namespace {

// The font in which a widget's text takes the least room.
const gorse_font* smallestFont(const ScreenPart& part, size_t widget, const gorse_record& record) {
    const gorse_font* own = record.widget.look->font;
    if (info(part.source->widgets[widget]->kind).of(part.records[widget]).kind != &gorse_kind_text_shrink || !own)
        return own;
    return record.shrinking.last ? record.shrinking.last : record.shrinking.next ? record.shrinking.next : own;
}

Problem clippedAt(const ScreenPart& part, size_t widget, const std::string& text, int width, int room) {
    Problem p;
    p.severity = Severity::Warning;
    p.screen = part.source->name;
    p.widget = part.source->widgets[widget]->name;
    p.file = "screens/" + p.screen + ".json";
    p.place = p.widget;
    p.reason = "its longest text, \"" + text + "\", is " + std::to_string(width) + " px wide; there is room for " +
               std::to_string(std::max(room, 0));
    p.code = kClippedText;
    p.remedy = "Widen it, choose a smaller size, or narrow the range of what it shows";
    return p;
}

}  // namespace

int widthOf(const LongestText& text, const gorse_record& record, const gorse_font& font) {
    int width = widestWithAnyDigits(font, text.text) + text.taken;
    if (!text.unit.empty() && record.readout.unit_font)
        width += record.readout.form[GORSE_READOUT_GAP] + lineWidth(*record.readout.unit_font, text.unit);
    return width;
}

Problems clippedTexts(const ScreenPart& part, const ScreenTables& tables) {
    Problems out;
    size_t reported = part.records.size();  // the last widget that was reported
    for (const LongestText& each : part.longest) {
        const gorse_record& record = tables.records[each.widget];
        const gorse_look& look = *record.widget.look;
        const gorse_font* font = smallestFont(part, each.widget, record);
        if (!font || each.widget == reported)
            continue;
        const int room = record.widget.w - 2 * (look.border_width + look.padding) - each.taken;
        const int width = widthOf(each, record, *font) - each.taken;
        if (width <= room)
            continue;
        reported = each.widget;
        out.push_back(
            clippedAt(part, each.widget, each.text + (each.unit.empty() ? "" : " " + each.unit), width, room));
    }
    return out;
}

}  // namespace gorsefinch
