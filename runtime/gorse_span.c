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
    area->x0 = gorse_max(area->x0, by->x0);
    area->y0 = gorse_max(area->y0, by->y0);
    area->x1 = gorse_min(area->x1, by->x1);
    area->y1 = gorse_min(area->y1, by->y1);
    return (uint8_t)(gorse_is_empty(area) == 0u);
}

void gorse_join(gorse_rect *area, const gorse_rect *other) {
    area->x0 = gorse_min(area->x0, other->x0);
    area->y0 = gorse_min(area->y0, other->y0);
    area->x1 = gorse_max(area->x1, other->x1);
    area->y1 = gorse_max(area->y1, other->y1);
}

void gorse_shrink(gorse_rect *box, gorse_coord by) {
    box->x0 = (gorse_coord)(box->x0 + by);
    box->y0 = (gorse_coord)(box->y0 + by);
    box->x1 = (gorse_coord)(box->x1 - by);
    box->y1 = (gorse_coord)(box->y1 - by);
}

/* The sum of a coordinate and a size, which rules may have made too large for 16 bits. */
static gorse_coord end_of(gorse_coord from, gorse_coord size) {
    int32_t end = (int32_t)from + size;
    return (gorse_coord)(end > 32767 ? 32767 : end);
}

void gorse_widget_box(const gorse_widget *widget, gorse_rect *box) {
    box->x0 = widget->x;
    box->y0 = widget->y;
    box->x1 = end_of(widget->x, widget->w);
    box->y1 = end_of(widget->y, widget->h);
}

void gorse_mask_span(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *coverage,
                     gorse_colour colour) {
    uint8_t faded[GORSE_CHUNK];
    uint8_t alpha = gorse_alpha(colour);
    int32_t count = n;
    int32_t before = (int32_t)c->clip.x0 - x;
    int32_t i;
    GORSE_ASSERT(n <= GORSE_CHUNK);
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
    gorse_coord x;
    memset(whole, 255, sizeof whole);
    for (x = row->x0; x < row->x1; x = (gorse_coord)(x + GORSE_CHUNK))
        gorse_mask_span(c, x, row->y0, (uint16_t)gorse_min((gorse_coord)(row->x1 - x), GORSE_CHUNK), whole, colour);
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
