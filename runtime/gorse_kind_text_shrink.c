/* SPDX-License-Identifier: MIT */
/* A text in a smaller font where it has no room in that of its look. */
#include "gorse_internal.h"
#include "gorse_text.h"

/* No line is wider than the box, and several lines are not higher. */
static GORSE_OWN_FRAME uint8_t has_room(gorse_text_source text, const gorse_text_box *where,
                                        const GORSE_ROM gorse_font *font) {
    const gorse_coord width = (gorse_coord)(where->box.x1 - where->box.x0);
    const gorse_coord height = (gorse_coord)(where->box.y1 - where->box.y0);
    gorse_coord used = 0;
    gorse_line line;
    uint8_t more;
    line.next = 0;
    do {
        more = gorse_next_line(font, text, line.next, where->wrap, width, &line);
        used = (gorse_coord)(used + font->line_height);
        if (line.width > width || (used > height && used > (gorse_coord)font->line_height))
            return 0;
    } while (more != 0u);
    return 1;
}

static const GORSE_ROM gorse_font *font_for(const gorse_canvas *c, const gorse_widget_shrinking *s,
                                            const gorse_look *look) {
    const gorse_widget_text *label = &s->rolling.label;
    const gorse_text_source text = gorse_shown_text(c->run, label);
    gorse_text_box where;
    gorse_text_widget_box(label, look, &where);
    if (look->font == 0 || s->next == 0 || has_room(text, &where, look->font) != 0u)
        return look->font;
    return s->last == 0 || has_room(text, &where, s->next) != 0u ? s->next : s->last;
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_look fitted = *look;
    fitted.font = font_for(c, (const gorse_widget_shrinking *)(const void *)widget, look);
    gorse_draw_text_widget(c, widget, &fitted);
}

const GORSE_ROM gorse_kind gorse_kind_text_shrink = {
    sizeof(gorse_widget_shrinking), GORSE_KIND_HAS_TEXT, draw, 0, 0, 0};
