/* SPDX-License-Identifier: MIT */
/* The same on panels that are turned by a quarter. */
#include "gorse_fade.h"

#include "gorse_internal.h"

void gorse_paint_squares_with_copy(gorse *g, const gorse_rect *area) {
    const uint32_t whole = g->buffer_bytes;
    g->buffer_bytes = whole / 16u * 12u;
    gorse_paint_squares(g, area);
    g->buffer_bytes = whole;
}
