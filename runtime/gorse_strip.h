/* SPDX-License-Identifier: MIT */
/* What is done before and after a strip is drawn. */
#ifndef GORSE_STRIP_H
#define GORSE_STRIP_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Rows of bytes that a strip takes. */
static inline uint16_t gorse_strip_pages(const gorse_strip *strip, const GORSE_ROM gorse_format *format) {
    return (uint16_t)(format->rows == 8u ? (strip->h + 7u) >> 3 : strip->h);
}

/* A canvas for an area; `stride` bytes from a row or page to the next. */
static inline void gorse_begin_strip(gorse *g, const gorse_rect *area, uint32_t stride, gorse_canvas *c) {
    const GORSE_ROM gorse_format *format = g->scene->panel->format;
    c->strip.pixels = g->buffer;
    c->strip.stride = stride;
    c->clip = *area;
    c->strip.x = (uint16_t)c->clip.x0;
    c->strip.y = (uint16_t)c->clip.y0;
    c->strip.w = (uint16_t)(c->clip.x1 - c->clip.x0);
    c->strip.h = (uint16_t)(c->clip.y1 - c->clip.y0);
    c->format = format;
    c->run = g;
    c->exchange = 0;
    GORSE_ASSERT(stride * gorse_strip_pages(&c->strip, format) <= g->buffer_bytes);
    /* What fills a row or a page up to whole bytes is 0, whatever the buffer contained before. */
    if (format->bits < 8u) {
        const uint32_t bytes = stride * gorse_strip_pages(&c->strip, format);
        memset(g->buffer, 0, (size_t)bytes);
    }
}

/* Turns it into the panel's orientation, and flushes it. */
static inline void gorse_send_strip(gorse *g, gorse_canvas *c) {
    const GORSE_ROM gorse_panel *panel = g->scene->panel;
    uint16_t pages;
    if (panel->turn != 0)
        panel->turn(&c->strip, panel);
    /* Pages are sent whole. */
    pages = gorse_strip_pages(&c->strip, c->format);
    g->port.flush(g->port.user, (uint16_t)(c->strip.x + panel->column_offset),
                  (uint16_t)(c->strip.y + panel->row_offset), c->strip.w, (uint16_t)(pages * c->format->rows),
                  g->buffer, c->strip.stride * pages);
}

#ifdef __cplusplus
}
#endif
#endif
