/* SPDX-License-Identifier: MIT */
/* Clipped spans and small helpers that every kind draws with. */

#include "gorse_draw.h"

#if GORSE_SEPARATE_ROM
void gorse_copy_rom(void *to, const GORSE_ROM void *from, uint16_t bytes) {
    uint8_t *out = (uint8_t *)to;
    const GORSE_ROM uint8_t *in = (const GORSE_ROM uint8_t *)from;
    while (bytes-- != 0u)
        *out++ = *in++;
}
#endif

uint8_t gorse_is_empty(const gorse_rect *r) { return (uint8_t)(r->x0 >= r->x1 || r->y0 >= r->y1); }

uint8_t gorse_clip(gorse_rect *area, const gorse_rect *by) {
    area->x0 = gorse_most(area->x0, by->x0);
    area->y0 = gorse_most(area->y0, by->y0);
    area->x1 = gorse_least(area->x1, by->x1);
    area->y1 = gorse_least(area->y1, by->y1);
    return (uint8_t)(gorse_is_empty(area) == 0u);
}

void gorse_join(gorse_rect *area, const gorse_rect *other) {
    area->x0 = gorse_least(area->x0, other->x0);
    area->y0 = gorse_least(area->y0, other->y0);
    area->x1 = gorse_most(area->x1, other->x1);
    area->y1 = gorse_most(area->y1, other->y1);
}

void gorse_inset(gorse_rect *box, gorse_place by) {
    box->x0 = (gorse_place)(box->x0 + by);
    box->y0 = (gorse_place)(box->y0 + by);
    box->x1 = (gorse_place)(box->x1 - by);
    box->y1 = (gorse_place)(box->y1 - by);
}

/* The sum of a place and a size, which rules may have made too large for 16 bits. */
static gorse_place end_of(gorse_place from, gorse_place size) {
    int32_t end = (int32_t)from + size;
    return (gorse_place)(end > 32767 ? 32767 : end);
}

void gorse_widget_box(const gorse_widget *widget, gorse_rect *box) {
    box->x0 = widget->x;
    box->y0 = widget->y;
    box->x1 = end_of(widget->x, widget->w);
    box->y1 = end_of(widget->y, widget->h);
}

void gorse_mask_span(const gorse_canvas *c, gorse_place x, gorse_place y, uint16_t n, const uint8_t *coverage,
                     gorse_colour colour) {
    uint8_t faded[GORSE_CHUNK];
    uint8_t alpha = gorse_alpha(colour);
    int32_t count = n;
    int32_t before = (int32_t)c->clip.x0 - x;
    int32_t i;
    if (y < c->clip.y0 || y >= c->clip.y1 || alpha == 0u)
        return;
    if (before > 0) {
        coverage += before;
        count -= before;
        x = c->clip.x0;
    }
    if (count > (int32_t)c->clip.x1 - x)
        count = (int32_t)c->clip.x1 - x;
    if (count <= 0)
        return;
    if (alpha != 255u) {
        for (i = 0; i < count; i++)
            faded[i] = gorse_scale8(coverage[i], alpha);
        coverage = faded;
    }
    c->format->mask(c, x, y, (uint16_t)count, coverage, c->format->native(c, colour));
}

/* A row of a colour that lets what is under it through. */
static void mix_row(const gorse_canvas *c, const gorse_rect *row, gorse_colour colour) {
    uint8_t whole[GORSE_CHUNK];
    gorse_place x;
    memset(whole, 255, sizeof whole);
    for (x = row->x0; x < row->x1; x = (gorse_place)(x + GORSE_CHUNK))
        gorse_mask_span(c, x, row->y0, (uint16_t)gorse_least((gorse_place)(row->x1 - x), GORSE_CHUNK), whole, colour);
}

void gorse_fill_rect(const gorse_canvas *c, const gorse_rect *wanted, gorse_colour colour) {
    gorse_rect area = *wanted;
    uint32_t native;
    if (gorse_clip(&area, &c->clip) == 0u || gorse_alpha(colour) == 0u)
        return;
    native = c->format->native(c, colour);
    for (; area.y0 < area.y1; area.y0++)
        if (gorse_alpha(colour) == 255u)
            c->format->fill(c, area.x0, area.y0, (uint16_t)(area.x1 - area.x0), native);
        else
            mix_row(c, &area, colour);
}
