/* SPDX-License-Identifier: MIT */
/* The same on panels that are turned by a quarter. */
#include "gorse_copies.h"
#include "gorse_fade.h"

void gorse_paint_squares_with_copies(gorse *g, const gorse_rect *area) {
    const uint32_t whole = g->buffer_bytes;
    g->buffer_bytes = gorse_without_copies(g);
    gorse_paint_squares(g, area);
    g->buffer_bytes = whole;
}
