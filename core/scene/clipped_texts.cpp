// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/clipped_texts.h"

#include <algorithm>

#include "runtime/gorse_text.h"

namespace gorsefinch {

namespace {

int widthOf(const gorse_font& font, const std::string& line) {
    gorse_line measured;
    (void)gorse_next_line(&font, gorse_plain_text(line.c_str()), 0, 0, 0, &measured);
    return measured.width;
}

char widestDigit(const gorse_font& font) {
    char widest = '0';
    for (char digit = '1'; digit <= '9'; ++digit)
        if (widthOf(font, std::string(1, digit)) > widthOf(font, std::string(1, widest)))
            widest = digit;
    return widest;
}

// The text with the digits of the value as wide as they get.
std::string widest(const gorse_font& font, std::string text) {
    const char digit = widestDigit(font);
    std::replace_if(
        text.begin(), text.end(), [](char c) { return c >= '0' && c <= '9'; }, digit);
    return text;
}

int widestLine(const gorse_font& font, const std::string& text) {
    int width = 0;
    for (size_t begin = 0; begin <= text.size();) {
        const size_t end = std::min(text.find('\n', begin), text.size());
        width = std::max(width, widthOf(font, text.substr(begin, end - begin)));
        begin = end + 1;
    }
    return width;
}

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
    p.remedy = "Widen it, choose a smaller size, or narrow the range of what it shows";
    return p;
}

}  // namespace

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
        int width = widestLine(*font, widest(*font, each.text));
        if (!each.unit.empty() && record.readout.unit_font)
            width += record.readout.form[GORSE_READOUT_GAP] + widthOf(*record.readout.unit_font, each.unit);
        if (width <= room)
            continue;
        reported = each.widget;
        out.push_back(
            clippedAt(part, each.widget, each.text + (each.unit.empty() ? "" : " " + each.unit), width, room));
    }
    return out;
}

}  // namespace gorsefinch
