/* SPDX-License-Identifier: MIT */
/* Painting where containers let what is below them through. */
#include "gorse_copies.h"
#include "gorse_fade.h"

void gorse_paint_rows_with_copies(gorse *g, const gorse_rect *area) {
    const uint32_t whole = g->buffer_bytes;
    g->buffer_bytes = gorse_without_copies(g);
    gorse_paint_rows(g, area);
    g->buffer_bytes = whole;
}
