/* SPDX-License-Identifier: MIT */
/* Draws what is dirty, cut into strips that fit the draw buffer. */
#include "gorse_internal.h"

uint32_t gorse_row_bytes(const GORSE_ROM gorse_format *format, uint16_t columns) {
    return ((uint32_t)columns * format->bits * format->rows + 7u) >> 3;
}

void gorse_paint_rows(gorse *g, const gorse_rect *area) {
    const GORSE_ROM gorse_panel *panel = g->scene->panel;
    uint32_t stride = gorse_row_bytes(panel->format, (uint16_t)(area->x1 - area->x0));
    uint32_t rows = g->buffer_bytes / stride * panel->format->rows;
    gorse_rect part = *area;
    for (; part.y0 < area->y1; part.y0 = part.y1) {
        part.y1 = area->y1;
        if ((uint32_t)(uint16_t)(part.y1 - part.y0) > rows)
            part.y1 = gorse_round_down((gorse_coord)(part.y0 + (gorse_coord)rows), panel->unit_y, panel->phase_y);
        gorse_paint_strip(g, &part, stride);
    }
}

void gorse_paint(gorse *g) {
    gorse_head *head = gorse_head_of(g);
    while (head->dirty_count != 0u) {
        gorse_rect area;
        head->dirty_count--;
        gorse_dirty_area(head, head->dirty_count, &area);
        g->scene->panel->paint(g, &area);
    }
}
