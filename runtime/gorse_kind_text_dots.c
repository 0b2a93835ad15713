/* SPDX-License-Identifier: MIT */
/* A text whose lines end in dots where they are too long for its box. */
#include "gorse_internal.h"
#include "gorse_text.h"

static const GORSE_ROM uint8_t dots[] = {'.', '.', '.', 0};

/* Draws the glyphs up to a byte of the pen's text. */
static GORSE_OWN_FRAME void draw_glyphs(const gorse_canvas *c, gorse_pen *pen, uint16_t to, gorse_coord top,
                                        gorse_colour colour) {
    gorse_glyph glyph;
    gorse_coord x;
    while (pen->at < to && pen->x < c->clip.x1 + 128 && gorse_next_glyph(pen, &glyph, &x) != 0u)
        gorse_draw_glyph(c, pen->font, &glyph, x, top, colour);
}

static void change_to_dots(gorse_pen *pen) {
    pen->text = gorse_rom_text(dots);
    pen->at = 0;
}

/* Where the pen is behind the dots. */
static GORSE_OWN_FRAME gorse_coord behind_dots(const gorse_pen *before) {
    gorse_pen pen = *before;
    gorse_glyph glyph;
    gorse_coord x;
    change_to_dots(&pen);
    while (gorse_next_glyph(&pen, &glyph, &x) != 0u)
        continue;
    return pen.x;
}

/* The byte up to which a line is shown so that there is room for dots behind it, which follow no space. */
static GORSE_OWN_FRAME uint16_t cut_of(const GORSE_ROM gorse_font *font, gorse_text_source text, const gorse_line *line,
                                       gorse_coord room) {
    uint16_t cut = line->from;
    uint32_t code;
    gorse_pen pen;
    gorse_glyph glyph;
    gorse_coord x;
    gorse_start_pen(&pen, font, text, line->from, 0);
    while (pen.at < line->to && (code = gorse_next_glyph(&pen, &glyph, &x)) != 0u && behind_dots(&pen) <= room)
        if (code != 32u)
            cut = pen.at;
    return cut;
}

static GORSE_OWN_FRAME void draw_line(const gorse_canvas *c, gorse_text_source text, const gorse_text_box *where,
                                      const gorse_line *line, const gorse_look *look, gorse_coord top) {
    const gorse_coord room = (gorse_coord)(where->box.x1 - where->box.x0);
    const uint8_t fits = (uint8_t)(line->width <= room);
    const uint16_t to = fits != 0u ? line->to : cut_of(look->font, text, line, room);
    gorse_pen pen;
    gorse_start_pen(&pen, look->font, text, line->from,
                    fits != 0u ? gorse_line_left(where, line->width) : where->box.x0);
    draw_glyphs(c, &pen, to, top, look->text);
    if (fits != 0u)
        return;
    change_to_dots(&pen);
    draw_glyphs(c, &pen, 3, top, look->text);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_text *label = gorse_text_widget_of(widget);
    const gorse_text_source text = gorse_shown_text(c->run, label);
    gorse_text_box where;
    gorse_coord top;
    gorse_line line;
    uint8_t more;
    gorse_widget_box(widget, &where.box);
    gorse_draw_box(c, &where.box, look);
    gorse_text_widget_box(label, look, &where);
    if (look->font == 0 || gorse_text_byte(text, 0) == 0u)
        return;
    top = gorse_text_top(text, &where, look->font);
    line.next = 0;
    do {
        more = gorse_next_line(look->font, text, line.next, 0, 0, &line);
        draw_line(c, text, &where, &line, look, top);
        top = (gorse_coord)(top + look->font->line_height);
    } while (more != 0u && top < c->clip.y1 + (int32_t)look->font->line_height);
}

const GORSE_ROM gorse_kind gorse_kind_text_dots = {sizeof(gorse_widget_text), GORSE_KIND_HAS_TEXT, draw, 0, 0, 0};
