/* SPDX-License-Identifier: MIT */
#include "gorse_fade.h"

#include "gorse_copies.h"
#include "gorse_wrapped.h"

static void draw_inner(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const GORSE_ROM gorse_wrapped_kind *kind = gorse_wrapped_kind_of(widget);
    if (kind->inner != 0)
        kind->inner(c, widget, look);
    else
        kind->of->draw(c, widget, look);
}

/* Pixels that are put back at a time: they lie on the stack. */
enum { PIECE = GORSE_CHUNK / 2 };

/* Rows of a strip as they were, from y `from` on. */
typedef struct copy {
    const gorse_canvas *c;
    const uint8_t *bytes;
    gorse_coord from;
    uint8_t opacity;
} copy;

/* Where formats can't mix, a pixel is the widget's or not: so many of 16 as the opacity says. */
static uint8_t pattern(const copy *from, gorse_coord x, gorse_coord y) {
    static const GORSE_ROM uint8_t order[16] = {0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5};
    const uint8_t at = order[((uint16_t)y & 3u) * 4u + ((uint16_t)x & 3u)];
    return (uint8_t)(((uint16_t)at * 16u + 8u) < from->opacity ? 0u : 255u);
}

/* A pixel of fewer than 8 bits. */
static uint8_t pixel_of(const copy *from, gorse_coord x, gorse_coord y) {
    const gorse_canvas *c = from->c;
    const uint8_t bits = c->format->bits;
    const uint32_t column = (uint32_t)(uint16_t)((uint16_t)x - c->strip.x), row = (uint32_t)(y - from->from);
    uint32_t bit = column * bits;
    const uint8_t *byte = from->bytes + row * c->strip.stride + (bit >> 3);
    if (c->format->rows == 8u) {
        byte = from->bytes + (row >> 3) * c->strip.stride + column;
        bit = row & 7u;
    } else {
        bit &= 7u;
        if ((c->format->flags & GORSE_FORMAT_LOW_BIT_FIRST) == 0u)
            bit = 8u - bits - bit;
    }
    return (uint8_t)((uint8_t)(*byte >> bit) & (uint8_t)((1u << bits) - 1u));
}

/* Mixes the copy of n pixels over what is there. */
static GORSE_OWN_FRAME void put_back(const copy *from, gorse_coord x, gorse_coord y, uint16_t n) {
    const gorse_canvas *c = from->c;
    const uint8_t mixes = (uint8_t)(c->format->flags & GORSE_FORMAT_MIXES);
    const uint8_t *pixels = from->bytes + (uint32_t)(y - from->from) * c->strip.stride +
                            (uint32_t)(uint16_t)((uint16_t)x - c->strip.x) * (c->format->bits >> 3);
    uint8_t coverage[PIECE], single[PIECE];
    uint_fast8_t i;
    for (i = 0; i < n; i++) {
        const gorse_coord at = (gorse_coord)(x + (gorse_coord)i);
        coverage[i] = (uint8_t)(mixes != 0u ? 255u - from->opacity : pattern(from, at, y));
        if (c->format->bits < 8u)
            single[i] = pixel_of(from, at, y);
    }
    c->format->copy(c, x, y, n, c->format->bits < 8u ? single : pixels, coverage);
}

void gorse_mix_back(const gorse_canvas *c, const uint8_t *bytes, gorse_coord from, uint8_t opacity) {
    copy under;
    gorse_coord x, y;
    under.c = c;
    under.bytes = bytes;
    under.from = from;
    under.opacity = opacity;
    for (y = c->clip.y0; y < c->clip.y1; y++)
        for (x = c->clip.x0; x < c->clip.x1; x = (gorse_coord)(x + PIECE))
            put_back(&under, x, y, (uint16_t)gorse_min((gorse_coord)(c->clip.x1 - x), PIECE));
}

/* Draws the rows of the canvas's clip. */
static GORSE_OWN_FRAME void draw_faded_part(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    uint8_t *bytes = gorse_copy_at(c->run, 0);
    gorse_copy_rows(c, c->clip.y0, c->clip.y1, bytes);
    draw_inner(c, widget, look);
    gorse_mix_back(c, bytes, gorse_rows_begin(c, c->clip.y0), widget->opacity);
}

void gorse_draw_faded(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_canvas part = *c;
    if (widget->opacity == 255u) {
        draw_inner(c, widget, look);
        return;
    }
    if (widget->opacity == 0u)
        return;
    for (; part.clip.y0 < c->clip.y1; part.clip.y0 = part.clip.y1) {
        part.clip.y1 = gorse_rows_end(c, part.clip.y0, c->clip.y1);
        draw_faded_part(&part, widget, look);
    }
}

/* Three quarters are painted in, so the copy has a third of that. */
static uint32_t without_copy(uint32_t bytes) { return bytes / 16u * 12u; }

void gorse_paint_rows_with_copy(gorse *g, const gorse_rect *area) {
    const uint32_t whole = g->buffer_bytes;
    g->buffer_bytes = without_copy(whole);
    gorse_paint_rows(g, area);
    g->buffer_bytes = whole;
}
