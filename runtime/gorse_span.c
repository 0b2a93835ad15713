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

gorse_rect gorse_both(gorse_rect a, gorse_rect b) {
    gorse_rect r;
    r.x0 = gorse_most(a.x0, b.x0);
    r.y0 = gorse_most(a.y0, b.y0);
    r.x1 = gorse_least(a.x1, b.x1);
    r.y1 = gorse_least(a.y1, b.y1);
    return r;
}

uint8_t gorse_is_empty(gorse_rect r) { return (uint8_t)(r.x0 >= r.x1 || r.y0 >= r.y1); }

gorse_rect gorse_inset(gorse_rect box, int16_t by) {
    box.x0 = (int16_t)(box.x0 + by);
    box.y0 = (int16_t)(box.y0 + by);
    box.x1 = (int16_t)(box.x1 - by);
    box.y1 = (int16_t)(box.y1 - by);
    return box;
}

gorse_rect gorse_widget_box(const gorse_widget *widget) {
    gorse_rect r;
    r.x0 = widget->x;
    r.y0 = widget->y;
    r.x1 = (int16_t)((int32_t)widget->x + widget->w > 32767 ? 32767 : widget->x + widget->w);
    r.y1 = (int16_t)((int32_t)widget->y + widget->h > 32767 ? 32767 : widget->y + widget->h);
    return r;
}

void gorse_mask_span(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, const uint8_t *coverage,
                     gorse_colour colour) {
    int32_t end = (int32_t)x + n;
    uint8_t faded[GORSE_CHUNK];
    uint8_t alpha = gorse_alpha(colour);
    uint32_t native;
    if (y < c->clip.y0 || y >= c->clip.y1 || alpha == 0u)
        return;
    if (end > c->clip.x1)
        end = c->clip.x1;
    if (x < c->clip.x0) {
        coverage += c->clip.x0 - x;
        x = c->clip.x0;
    }
    if (x >= end)
        return;
    native = c->format.native(c, colour);
    while (x < end) {
        uint16_t part = (uint16_t)(end - x);
        uint16_t i;
        if (alpha == 255u) {
            c->format.mask(c, x, y, part, coverage, native);
            return;
        }
        if (part > GORSE_CHUNK)
            part = GORSE_CHUNK;
        for (i = 0; i < part; i++)
            faded[i] = gorse_scale8(coverage[i], alpha);
        c->format.mask(c, x, y, part, faded, native);
        coverage += part;
        x = (int16_t)(x + (int16_t)part);
    }
}

static void mix_rows(const gorse_canvas *c, gorse_rect area, gorse_colour colour) {
    uint8_t even[GORSE_CHUNK];
    int16_t y;
    memset(even, 255, sizeof even);
    for (y = area.y0; y < area.y1; y++) {
        int16_t x = area.x0;
        while (x < area.x1) {
            uint16_t part = (uint16_t)(area.x1 - x);
            if (part > GORSE_CHUNK)
                part = GORSE_CHUNK;
            gorse_mask_span(c, x, y, part, even, colour);
            x = (int16_t)(x + (int16_t)part);
        }
    }
}

void gorse_fill_rect(const gorse_canvas *c, gorse_rect area, gorse_colour colour) {
    uint32_t native;
    uint16_t n;
    area = gorse_both(area, c->clip);
    if (gorse_is_empty(area) || gorse_alpha(colour) == 0u)
        return;
    if (gorse_alpha(colour) != 255u) {
        mix_rows(c, area, colour);
        return;
    }
    native = c->format.native(c, colour);
    n = (uint16_t)(area.x1 - area.x0);
    for (; area.y0 < area.y1; area.y0++)
        c->format.fill(c, area.x0, area.y0, n, native);
}
