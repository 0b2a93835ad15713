/* SPDX-License-Identifier: MIT */
/* Draws an area of a panel that is turned by a quarter: in squares, as rows and columns are exchanged in place. */
#include "gorse_internal.h"

/* The side of the largest square that fits the draw buffer. */
static uint16_t square_side(const gorse *g, const GORSE_ROM gorse_format *format) {
    uint16_t unit = (uint16_t)(format->rows * format->columns);
    uint16_t count = 1;
    while (count < 0x0400u) {
        uint32_t more = (uint32_t)count + 1u;
        uint32_t lines = format->rows == 8u ? more : more * unit;
        if (gorse_row_bytes(format, (uint16_t)(more * unit)) * lines > g->buffer_bytes)
            break;
        count++;
    }
    return (uint16_t)(count * unit);
}

void gorse_paint_squares(gorse *g, const gorse_rect *area) {
    const GORSE_ROM gorse_panel *panel = g->scene->panel;
    gorse_coord side = (gorse_coord)square_side(g, panel->format);
    gorse_rect part;
    for (part.y0 = area->y0; part.y0 < area->y1; part.y0 = part.y1) {
        part.y1 = gorse_min(area->y1, gorse_round_down((gorse_coord)(part.y0 + side), panel->unit_y, panel->phase_y));
        for (part.x0 = area->x0; part.x0 < area->x1; part.x0 = part.x1) {
            part.x1 =
                gorse_min(area->x1, gorse_round_down((gorse_coord)(part.x0 + side), panel->unit_x, panel->phase_x));
            gorse_paint_strip(g, &part, gorse_row_bytes(panel->format, (uint16_t)side));
        }
    }
}
