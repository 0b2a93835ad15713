/* SPDX-License-Identifier: MIT */
/* Finds what differs between two texts in the same box, so that a changed digit costs only its own pixels. */
#include "gorse_internal.h"
#include "gorse_text.h"

/* One of the two texts, at one of its glyphs. */
typedef struct side {
    gorse_pen pen;
    gorse_glyph glyph;
    gorse_coord x; /* of the glyph's pen */
    uint32_t more;
} side;

static void advance(side *s) { s->more = gorse_next_glyph(&s->pen, &s->glyph, &s->x); }

static void start(side *s, gorse_text_source text, const gorse_text_box *where, const GORSE_ROM gorse_font *font) {
    gorse_line line;
    (void)gorse_next_line(font, text, 0, 0, 0, &line);
    gorse_start_pen(&s->pen, font, text, 0, gorse_line_left(where, line.width));
    advance(s);
}

/* Both texts are walked from left to right; glyphs at the same coordinate are compared by their number. */
void gorse_text_difference(gorse_text_source before, gorse_text_source after, const gorse_text_box *where,
                           const GORSE_ROM gorse_font *font, void (*changed)(void *to, const gorse_rect *area),
                           void *to) {
    side sides[2];
    gorse_coord top;
    if (font == 0)
        return;
    top = gorse_text_top(after, where, font);
    start(&sides[0], before, where, font);
    start(&sides[1], after, where, font);
    while ((sides[0].more | sides[1].more) != 0u) {
        side *s = sides;
        uint8_t same = 0;
        if (s[0].more == 0u || (s[1].more != 0u && s[1].x < s[0].x))
            s++;
        else if (s[1].more != 0u && s[1].x == s[0].x && s[1].pen.previous == s[0].pen.previous)
            same = 1;
        if (same != 0u) {
            advance(&sides[1]);
        } else {
            gorse_rect box;
            gorse_glyph_box(&s->glyph, s->x, top, &box);
            changed(to, &box);
        }
        advance(s);
    }
}
