// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/baselines.h"

#include "runtime/gorse_readout.h"
#include "runtime/gorse_text.h"

namespace gorsefinch {

namespace {

bool holds(const gorse_font& font, uint32_t character) {
    for (uint16_t i = 0; i < font.range_count; ++i)
        if (const gorse_range& range = font.ranges[i];
            character >= range.first && character < range.first + range.count)
            return true;
    return false;
}

// Rows from the top of a line to its baseline: the first row below a glyph without a descender.
std::optional<int> baselineIn(const gorse_font& font) {
    for (const char* standing = "HEFILTXZ1247hiklmnrxz0358"; *standing != 0; ++standing) {
        const char text[] = {*standing, 0};
        if (!holds(font, static_cast<uint32_t>(*standing)))
            continue;
        gorse_pen pen;
        gorse_glyph glyph;
        gorse_coord x = 0;
        gorse_rect box;
        gorse_start_pen(&pen, &font, gorse_plain_text(text), 0, 0);
        (void)gorse_next_glyph(&pen, &glyph, &x);
        gorse_glyph_box(&glyph, x, 0, &box);
        return box.y1;
    }
    return std::nullopt;
}

}  // namespace

std::optional<int> baselineOf(const BuiltScene& scene, size_t screen, size_t widget) {
    const ScreenTables& tables = *scene.tables[screen];
    const gorse_record& record = tables.records[widget];
    const Kind kind = scene.parts[screen]->source->widgets[widget]->kind;
    const bool isReadout = kind == Kind::Readout;
    if (!isReadout && kind != Kind::Text && kind != Kind::Button)
        return std::nullopt;
    const gorse_look& look = *record.widget.look;
    const auto baseline = look.font ? baselineIn(*look.font) : std::nullopt;
    if (!baseline)
        return std::nullopt;
    const auto inset = static_cast<gorse_coord>(look.border_width + look.padding);
    gorse_text_box where{};
    where.box = {inset, inset, static_cast<gorse_coord>(record.widget.w - inset),
                 static_cast<gorse_coord>(record.widget.h - inset)};
    where.place = isReadout ? static_cast<uint8_t>(record.readout.form[GORSE_READOUT_PLACE]) : record.label.place;
    where.wrap = isReadout ? uint8_t{0} : record.label.wrap;
    const auto* words = isReadout || !record.label.text ? "" : reinterpret_cast<const char*>(record.label.text);
    return gorse_text_top(gorse_plain_text(words), &where, look.font) + *baseline;
}

}  // namespace gorsefinch
