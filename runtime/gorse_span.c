/* SPDX-License-Identifier: MIT */
/* Clipped spans and small helpers that every kind draws with. */
#include <string.h>

#include "gorse_draw.h"

void gorse_copy_rom(void *to, const GORSE_ROM void *from, uint16_t bytes) {
#if GORSE_SEPARATE_ROM
    uint8_t *out = (uint8_t *)to;
    const GORSE_ROM uint8_t *in = (const GORSE_ROM uint8_t *)from;
    while (bytes-- != 0u)
        *out++ = *in++;
#else
    memcpy(to, from, bytes);
#endif
}

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

/* Mixes by coverage where there is some, else evenly; n pixels inside the clip, a chunk at a time. */
static void mix_span(const gorse_canvas *c, gorse_place x, gorse_place y, uint16_t n, const uint8_t *coverage,
                     gorse_colour colour) {
    uint32_t native = c->format->native(c, colour);
    uint8_t faded[GORSE_CHUNK];
    uint8_t alpha = gorse_alpha(colour);
    while (n != 0u) {
        uint16_t part = n < GORSE_CHUNK ? n : GORSE_CHUNK;
        uint16_t i;
        for (i = 0; i < part; i++)
            faded[i] = coverage != 0 ? gorse_scale8(*coverage++, alpha) : alpha;
        c->format->mask(c, x, y, part, faded, native);
        x = (gorse_place)(x + (gorse_place)part);
        n = (uint16_t)(n - part);
    }
}

void gorse_mask_span(const gorse_canvas *c, gorse_place x, gorse_place y, uint16_t n, const uint8_t *coverage,
                     gorse_colour colour) {
    int32_t count = n;
    int32_t before = (int32_t)c->clip.x0 - x;
    if (y < c->clip.y0 || y >= c->clip.y1 || gorse_alpha(colour) == 0u)
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
    if (gorse_alpha(colour) == 255u)
        c->format->mask(c, x, y, (uint16_t)count, coverage, c->format->native(c, colour));
    else
        mix_span(c, x, y, (uint16_t)count, coverage, colour);
}

void gorse_fill_rect(const gorse_canvas *c, const gorse_rect *wanted, gorse_colour colour) {
    gorse_rect area = *wanted;
    uint32_t native;
    uint16_t n;
    if (gorse_clip(&area, &c->clip) == 0u || gorse_alpha(colour) == 0u)
        return;
    native = c->format->native(c, colour);
    n = (uint16_t)(area.x1 - area.x0);
    for (; area.y0 < area.y1; area.y0++)
        if (gorse_alpha(colour) == 255u)
            c->format->fill(c, area.x0, area.y0, n, native);
        else
            mix_span(c, area.x0, area.y0, n, 0, colour);
}
