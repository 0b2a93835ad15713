/* SPDX-License-Identifier: MIT */
/* Draws what is dirty: cut into strips that fit the draw buffer, each drawn from the lowest widget up, turned into
 * the panel's orientation and flushed. */
#include <string.h>

#include "gorse_internal.h"

static GORSE_OWN_FRAME void draw_widgets(gorse_canvas *c, const gorse_rect *area,
                                         const GORSE_ROM gorse_screen *screen) {
    uint16_t i;
    for (i = 0; i < screen->widget_count; i++) {
        gorse_view view;
        const GORSE_ROM gorse_widget *from = screen->widgets[i];
        /* Most widgets are not in a strip: what no rule can move is left out before it is looked at. */
        if (from->slot_count == 0u && (from->y >= area->y1 || (int32_t)from->y + from->h <= area->y0))
            continue;
        gorse_see(c->run, i, &view);
        gorse_widget_box(view.widget, &c->clip);
        if (view.widget->visible != 0u && gorse_clip(&c->clip, area) != 0u)
            view.widget->kind->draw(c, view.widget, view.look);
    }
}

/* Rows of bytes that a strip takes. */
static uint16_t pages_of(const gorse_strip *strip, const GORSE_ROM gorse_format *format) {
    return (uint16_t)(format->rows == 8u ? (strip->h + 7u) >> 3 : strip->h);
}

void gorse_paint_strip(gorse *g, const gorse_rect *area, uint32_t stride) {
    const GORSE_ROM gorse_panel *panel = g->scene->panel;
    const GORSE_ROM gorse_format *format = panel->format;
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    gorse_canvas c;
    uint16_t pages;
    c.strip.pixels = g->buffer;
    c.strip.stride = stride;
    c.clip = *area;
    c.strip.x = (uint16_t)c.clip.x0;
    c.strip.y = (uint16_t)c.clip.y0;
    c.strip.w = (uint16_t)(c.clip.x1 - c.clip.x0);
    c.strip.h = (uint16_t)(c.clip.y1 - c.clip.y0);
    c.format = format;
    c.run = g;
    c.exchange = 0;
    GORSE_ASSERT(stride * pages_of(&c.strip, format) <= g->buffer_bytes);
    /* What fills a row or a page up to whole bytes is 0, whatever the buffer contained before. */
    if (format->bits < 8u) {
        const uint32_t bytes = stride * pages_of(&c.strip, format);
        memset(g->buffer, 0, (size_t)bytes);
    }
    gorse_fill_rect(&c, area, screen->background);
    draw_widgets(&c, area, screen);
    if (panel->turn != 0)
        panel->turn(&c.strip, panel);
    /* Pages are sent whole. */
    pages = pages_of(&c.strip, format);
    g->port.flush(g->port.user, (uint16_t)(c.strip.x + panel->column_offset), (uint16_t)(c.strip.y + panel->row_offset),
                  c.strip.w, (uint16_t)(pages * format->rows), g->buffer, c.strip.stride * pages);
}

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
