/* SPDX-License-Identifier: MIT */
/* Finds what differs between two texts in the same box, so that a changed digit costs only its own pixels. */
#include "gorse_internal.h"
#include "gorse_text.h"

/* One of the two texts, at one of its glyphs. */
typedef struct side {
    gorse_pen pen;
    gorse_glyph glyph;
    gorse_coord x; /* of the glyph's pen */
    uint8_t more;
} side;

static void advance(side *s) { s->more = (uint8_t)(gorse_next_glyph(&s->pen, &s->glyph, &s->x) != 0u); }

static void start(side *s, gorse_text_source text, const gorse_text_box *where, const GORSE_ROM gorse_font *font) {
    gorse_line line;
    (void)gorse_next_line(font, text, 0, 0, 0, &line);
    gorse_start_pen(&s->pen, font, text, 0, gorse_line_left(where, line.width));
    advance(s);
}

static void add_box(const side *s, gorse_coord top, gorse_rect *box) {
    gorse_rect r;
    r.x0 = (gorse_coord)(s->x + s->glyph.left);
    r.y0 = (gorse_coord)(top + s->glyph.top - GORSE_TOP_BIAS);
    r.x1 = (gorse_coord)(r.x0 + s->glyph.width);
    r.y1 = (gorse_coord)(r.y0 + s->glyph.height);
    if (gorse_is_empty(box) != 0u)
        *box = r;
    else if (gorse_is_empty(&r) == 0u)
        gorse_join(box, &r);
}

static uint8_t same_glyph(const gorse_glyph *a, const gorse_glyph *b) {
    return (uint8_t)(a->offset_low == b->offset_low && a->offset_high == b->offset_high && a->width == b->width &&
                     a->left == b->left && a->top == b->top);
}

/* Both texts are walked from left to right; glyphs that stand at the same place are compared. */
void gorse_text_difference(gorse_text_source before, gorse_text_source after, const gorse_text_box *where,
                           const GORSE_ROM gorse_font *font, void (*changed)(void *to, const gorse_rect *area),
                           void *to) {
    side a, b;
    gorse_coord top;
    if (font == 0)
        return;
    top = gorse_text_top(after, where, font);
    start(&a, before, where, font);
    start(&b, after, where, font);
    while ((a.more | b.more) != 0u) {
        gorse_rect box = {0, 0, 0, 0};
        uint8_t first = (uint8_t)(a.more != 0u && (b.more == 0u || a.x <= b.x));
        uint8_t second = (uint8_t)(b.more != 0u && (a.more == 0u || b.x <= a.x));
        uint8_t same = (uint8_t)((first & second) != 0u && same_glyph(&a.glyph, &b.glyph) != 0u);
        if (first != 0u) {
            if (same == 0u)
                add_box(&a, top, &box);
            advance(&a);
        }
        if (second != 0u) {
            if (same == 0u)
                add_box(&b, top, &box);
            advance(&b);
        }
        changed(to, &box);
    }
}
