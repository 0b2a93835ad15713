/* SPDX-License-Identifier: MIT */
/* The list of areas to draw. The pair that is cheapest to join is joined when that costs less than another rectangle or
 * the list has no room. */
#include "gorse_internal.h"

/* What a rectangle costs on the bus beside its pixels, in pixels. */
#define RECTANGLE_COST 12

void gorse_dirty_area(const gorse_head *head, uint_fast8_t number, gorse_rect *area) {
    const gorse_area *from = &head->dirty[number];
    area->x0 = from->x0;
    area->y0 = from->y0;
    area->x1 = from->x1;
    area->y1 = from->y1;
}

static void store(gorse_head *head, uint_fast8_t number, const gorse_rect *area) {
    gorse_area *to = &head->dirty[number];
    to->x0 = (int16_t)area->x0;
    to->y0 = (int16_t)area->y0;
    to->x1 = (int16_t)area->x1;
    to->y1 = (int16_t)area->y1;
}

static GORSE_OWN_FRAME int32_t pixels_of(const gorse_rect *r) {
    return (int32_t)(r->x1 - r->x0) * (int32_t)(r->y1 - r->y0);
}

/* Joins two of the list in `both`; returns how many pixels that sends more than sending both. */
static int32_t join(const gorse_head *head, uint_fast8_t i, uint_fast8_t j, gorse_rect *both) {
    gorse_rect other;
    int32_t apart;
    gorse_dirty_area(head, i, both);
    gorse_dirty_area(head, j, &other);
    apart = pixels_of(both) + pixels_of(&other);
    gorse_join(both, &other);
    return pixels_of(both) - apart;
}

GORSE_OWN_FRAME gorse_coord gorse_round_down(gorse_coord at, uint8_t unit, uint8_t phase) {
    return (gorse_coord)(at - (gorse_coord)((uint16_t)(at - phase) & (uint16_t)(unit - 1u)));
}

static void whole_panel(const gorse *g, gorse_rect *r) {
    r->x0 = r->y0 = 0;
    r->x1 = (gorse_coord)g->scene->panel->width;
    r->y1 = (gorse_coord)g->scene->panel->height;
}

/* Joins the cheapest pair; 0 if that is not worth it and there is room. */
static uint8_t join_cheapest(gorse_head *head) {
    int32_t best = head->dirty_count > GORSE_DIRTY ? 0x7fffffff : RECTANGLE_COST + 1;
    gorse_rect both;
    uint_fast8_t i, j, best_i = 0, best_j = 0;
    for (j = 1; j < head->dirty_count; j++)
        for (i = 0; i < j; i++) {
            int32_t cost = join(head, i, j, &both);
            if (cost < best) {
                best = cost;
                best_i = i;
                best_j = j;
            }
        }
    if (best_j == 0u)
        return 0;
    (void)join(head, best_i, best_j, &both);
    store(head, best_i, &both);
    head->dirty_count--;
    head->dirty[best_j] = head->dirty[head->dirty_count];
    return 1;
}

void gorse_dirty(gorse *g, const gorse_rect *wanted) {
    gorse_head *head = gorse_head_of(g);
    const GORSE_ROM gorse_panel *panel = g->scene->panel;
    uint8_t unit_x = panel->unit_x, unit_y = panel->unit_y;
    gorse_rect whole, area = *wanted;
    whole_panel(g, &whole);
    if (gorse_clip(&area, &whole) == 0u)
        return;
    /* Formats with several pixels a byte send whole bytes. */
    area.x0 = gorse_round_down(area.x0, unit_x, panel->phase_x);
    area.y0 = gorse_round_down(area.y0, unit_y, panel->phase_y);
    area.x1 = gorse_round_down((gorse_coord)(area.x1 + unit_x - 1), unit_x, panel->phase_x);
    area.y1 = gorse_round_down((gorse_coord)(area.y1 + unit_y - 1), unit_y, panel->phase_y);
    (void)gorse_clip(&area, &whole);
    store(head, head->dirty_count, &area);
    head->dirty_count++;
    while (join_cheapest(head) != 0u) {
    }
}

void gorse_dirty_widget(gorse *g, const gorse_widget *widget) {
    gorse_rect box;
    gorse_widget_box(widget, &box);
    if (widget->visible != 0u)
        gorse_dirty(g, &box);
}

void gorse_redraw(gorse *g) {
    gorse_rect whole;
    if (g->scene == 0)
        return;
    whole_panel(g, &whole);
    gorse_head_of(g)->dirty_count = 0;
    gorse_dirty(g, &whole);
}
