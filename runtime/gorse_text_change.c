/* SPDX-License-Identifier: MIT */
/* Finds what differs between two texts in the same box, so that a changed digit costs only its own pixels. */
#include "gorse_internal.h"
#include "gorse_text.h"

static gorse_rect glyph_box(const gorse_glyph *glyph, int16_t x, int16_t top) {
    gorse_rect r;
    r.x0 = (int16_t)(x + glyph->left);
    r.y0 = (int16_t)(top + glyph->top - GORSE_TOP_BIAS);
    r.x1 = (int16_t)(r.x0 + glyph->width);
    r.y1 = (int16_t)(r.y0 + glyph->height);
    return r;
}

static gorse_rect joined(gorse_rect a, gorse_rect b) {
    if (gorse_is_empty(a))
        return b;
    if (gorse_is_empty(b))
        return a;
    a.x0 = gorse_least(a.x0, b.x0);
    a.y0 = gorse_least(a.y0, b.y0);
    a.x1 = gorse_most(a.x1, b.x1);
    a.y1 = gorse_most(a.y1, b.y1);
    return a;
}

static uint16_t count_glyphs(gorse_text_source text) {
    uint16_t at = 0, count = 0;
    while (gorse_next_character(text, &at) != 0u)
        count++;
    return count;
}

static gorse_rect next_box(gorse_pen *pen, int16_t top, gorse_glyph *glyph, int16_t *x) {
    gorse_rect none = {0, 0, 0, 0};
    glyph->width = 0;
    if (gorse_text_byte(pen->text, pen->at) == 0u)
        return none;
    (void)gorse_next_glyph(pen, glyph, x);
    return glyph_box(glyph, *x, top);
}

static uint8_t same_glyph(const gorse_glyph *a, const gorse_glyph *b) {
    return (uint8_t)(a->offset_low == b->offset_low && a->offset_high == b->offset_high && a->width == b->width &&
                     a->height == b->height && a->left == b->left && a->top == b->top);
}

void gorse_text_difference(gorse_text_source before, gorse_text_source after, const gorse_text_box *where,
                           const GORSE_ROM gorse_font *source, void (*changed)(void *to, gorse_rect area), void *to) {
    gorse_font font;
    gorse_line line;
    gorse_pen pens[2];
    gorse_glyph glyphs[2];
    int16_t x[2] = {0, 0};
    int16_t top;
    uint16_t counts[2];
    uint8_t side;
    if (source == 0)
        return;
    gorse_copy_rom(&font, source, sizeof font);
    top = gorse_text_top(after, where, &font, source);
    for (side = 0; side < 2u; side++) {
        gorse_text_source text = side == 0u ? before : after;
        counts[side] = count_glyphs(text);
        (void)gorse_next_line(&font, text, 0, 0, 0, &line);
        gorse_start_pen(&pens[side], &font, text, 0, gorse_line_left(where, line.width));
    }
    /* Aligned at the end, texts of different length agree from the end: let the longer one run ahead. */
    for (side = 0; side < 2u && where->align == GORSE_END; side++)
        while (counts[side] > counts[1u - side]) {
            changed(to, next_box(&pens[side], top, &glyphs[side], &x[side]));
            counts[side]--;
        }
    while (counts[0] != 0u || counts[1] != 0u) {
        gorse_rect a = next_box(&pens[0], top, &glyphs[0], &x[0]);
        gorse_rect b = next_box(&pens[1], top, &glyphs[1], &x[1]);
        if (counts[0] == 0u || counts[1] == 0u || x[0] != x[1] || same_glyph(&glyphs[0], &glyphs[1]) == 0u)
            changed(to, joined(a, b));
        counts[0] = (uint16_t)(counts[0] - (counts[0] != 0u));
        counts[1] = (uint16_t)(counts[1] - (counts[1] != 0u));
    }
}
