/* SPDX-License-Identifier: MIT */
/* Draws what is dirty: cut into strips that fit the draw buffer, each drawn from the lowest widget up, turned into
 * the panel's orientation and flushed. */
#include <string.h>

#include "gorse_internal.h"

static void draw_strip(gorse *g, const gorse_screen *screen, gorse_canvas *c, gorse_rect area) {
    uint16_t i;
    c->clip = area;
    gorse_fill_rect(c, area, screen->background | 0xff000000u);
    for (i = 0; i < screen->widget_count; i++) {
        gorse_record record;
        gorse_look look;
        gorse_kind kind;
        const GORSE_ROM gorse_widget *from = screen->widgets[i];
        /* Most widgets are not in a strip: what no rule can move is left out before it is copied. */
        if (from->slot_count == 0u && (from->y >= area.y1 || (int32_t)from->y + from->h <= area.y0))
            continue;
        gorse_get_widget(g, screen, i, &record, &look);
        c->clip = gorse_both(area, gorse_widget_box(&record.widget));
        if (record.widget.visible == 0u || gorse_is_empty(c->clip))
            continue;
        gorse_copy_rom(&kind, record.widget.kind, sizeof kind);
        kind.draw(c, &record.widget, &look);
    }
}

static void send(gorse *g, const gorse_panel *panel, const gorse_canvas *c, gorse_rect area) {
    gorse_strip strip;
    strip.pixels = c->pixels;
    strip.stride = c->stride;
    strip.bits = c->format.bits;
    strip.x = (uint16_t)area.x0;
    strip.y = (uint16_t)area.y0;
    strip.w = (uint16_t)(area.x1 - area.x0);
    strip.h = (uint16_t)(area.y1 - area.y0);
    if (panel->turn != 0)
        panel->turn(&strip, panel);
    g->port.flush(g->port.user, (uint16_t)(strip.x + panel->column_offset), (uint16_t)(strip.y + panel->row_offset),
                  strip.w, strip.h, strip.pixels);
}

static void paint_strip(gorse *g, const gorse_screen *screen, const gorse_panel *panel, gorse_rect area,
                        uint32_t stride) {
    gorse_canvas c;
    gorse_copy_rom(&c.format, panel->format, sizeof c.format);
    c.pixels = g->buffer;
    c.stride = stride;
    c.left = area.x0;
    c.top = area.y0;
    c.run = g;
    /* What fills a row or a page up to whole bytes is 0, whatever the buffer held before. */
    if (c.format.bits < 8u)
        memset(g->buffer, 0, (size_t)(stride * ((uint32_t)(area.y1 - area.y0 + c.format.rows - 1) / c.format.rows)));
    draw_strip(g, screen, &c, area);
    send(g, panel, &c, area);
}

/* Bytes of `columns` pixels of one row, or of one page. */
static uint32_t row_bytes(const gorse_format *format, uint16_t columns) {
    return format->rows == 8u ? columns : ((uint32_t)columns * format->bits + 7u) >> 3;
}

/* The side of the largest square that fits the draw buffer: a quarter turn exchanges rows and columns in place. */
static uint16_t square_side(const gorse *g, const gorse_format *format) {
    uint16_t unit = (uint16_t)(format->rows * format->columns);
    uint16_t count = 1;
    while (count < 0x0400u) {
        uint32_t more = (uint32_t)count + 1u;
        uint32_t lines = format->rows == 8u ? more : more * unit;
        if (row_bytes(format, (uint16_t)(more * unit)) * lines > g->buffer_bytes)
            break;
        count++;
    }
    return (uint16_t)(count * unit);
}

static void paint_squares(gorse *g, const gorse_screen *screen, const gorse_panel *panel, const gorse_format *format,
                          gorse_rect area) {
    int16_t side = (int16_t)square_side(g, format);
    gorse_rect part;
    for (part.y0 = area.y0; part.y0 < area.y1; part.y0 = part.y1) {
        part.y1 = gorse_least(area.y1, gorse_round_down((int16_t)(part.y0 + side), panel->unit_y, panel->phase_y));
        for (part.x0 = area.x0; part.x0 < area.x1; part.x0 = part.x1) {
            part.x1 = gorse_least(area.x1, gorse_round_down((int16_t)(part.x0 + side), panel->unit_x, panel->phase_x));
            paint_strip(g, screen, panel, part, row_bytes(format, (uint16_t)side));
        }
    }
}

static void paint_rows(gorse *g, const gorse_screen *screen, const gorse_panel *panel, const gorse_format *format,
                       gorse_rect area) {
    uint32_t stride = row_bytes(format, (uint16_t)(area.x1 - area.x0));
    uint32_t rows = g->buffer_bytes / stride * format->rows;
    gorse_rect part = area;
    for (part.y0 = area.y0; part.y0 < area.y1; part.y0 = part.y1) {
        part.y1 = (uint32_t)(uint16_t)(area.y1 - part.y0) > rows
                      ? gorse_round_down((int16_t)(part.y0 + (int16_t)rows), panel->unit_y, panel->phase_y)
                      : area.y1;
        paint_strip(g, screen, panel, part, stride);
    }
}

void gorse_paint(gorse *g) {
    gorse_head *head = gorse_head_of(g);
    gorse_panel panel;
    gorse_format format;
    gorse_screen screen;
    if (head->dirty_count == 0u)
        return;
    gorse_copy_rom(&panel, g->scene->panel, sizeof panel);
    gorse_copy_rom(&format, panel.format, sizeof format);
    gorse_get_screen(g, head->screen, &screen);
    while (head->dirty_count != 0u) {
        gorse_rect area = head->dirty[--head->dirty_count];
        if ((panel.quarter_turns & 1u) != 0u)
            paint_squares(g, &screen, &panel, &format, area);
        else
            paint_rows(g, &screen, &panel, &format, area);
    }
}
