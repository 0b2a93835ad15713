/* SPDX-License-Identifier: MIT */
/* The list of areas to draw. The pair that is cheapest to join is joined when that costs less than another rectangle or
 * the list has no room. */
#include "gorse_internal.h"

/* What a rectangle costs on the bus beside its pixels, in pixels. */
#define RECTANGLE_COST 12

static int32_t area_of(const gorse_rect *r) { return (int32_t)(r->x1 - r->x0) * (int32_t)(r->y1 - r->y0); }

/* Pixels that joining two rectangles sends more than sending both. */
static int32_t joining_cost(const gorse_rect *a, const gorse_rect *b) {
    gorse_rect both = *a;
    gorse_join(&both, b);
    return area_of(&both) - area_of(a) - area_of(b);
}

int16_t gorse_round_down(int16_t at, uint8_t unit, uint8_t phase) {
    uint16_t places = (uint16_t)(at - phase);
    return (int16_t)((uint16_t)(places & (uint16_t)~(uint16_t)(unit - 1u)) + phase);
}

static void whole_panel(const gorse *g, gorse_rect *r) {
    r->x0 = r->y0 = 0;
    r->x1 = (int16_t)g->scene->panel->width;
    r->y1 = (int16_t)g->scene->panel->height;
}

/* Joins the cheapest pair; 0 if that is not worth it and there is room. */
static uint8_t join_cheapest(gorse_head *head) {
    gorse_rect *list = head->dirty;
    int32_t best = head->dirty_count > GORSE_DIRTY ? 0x7fffffff : RECTANGLE_COST + 1;
    uint8_t i, j, best_i = 0, best_j = 0;
    for (j = 1; j < head->dirty_count; j++)
        for (i = 0; i < j; i++) {
            int32_t cost = joining_cost(&list[i], &list[j]);
            if (cost < best) {
                best = cost;
                best_i = i;
                best_j = j;
            }
        }
    if (best_j == 0u)
        return 0;
    gorse_join(&list[best_i], &list[best_j]);
    head->dirty_count--;
    list[best_j] = list[head->dirty_count];
    return 1;
}

void gorse_dirty(gorse *g, const gorse_rect *wanted) {
    gorse_head *head = gorse_head_of(g);
    const GORSE_ROM gorse_panel *panel = g->scene->panel;
    uint8_t unit_x = panel->unit_x, unit_y = panel->unit_y;
    gorse_rect *area = &head->dirty[head->dirty_count];
    gorse_rect whole;
    whole_panel(g, &whole);
    *area = *wanted;
    if (gorse_is_empty(area) != 0u || gorse_clip(area, &whole) == 0u)
        return;
    /* Formats with several pixels a byte send whole bytes. */
    area->x0 = gorse_round_down(area->x0, unit_x, panel->phase_x);
    area->y0 = gorse_round_down(area->y0, unit_y, panel->phase_y);
    area->x1 = gorse_round_down((int16_t)(area->x1 + unit_x - 1), unit_x, panel->phase_x);
    area->y1 = gorse_round_down((int16_t)(area->y1 + unit_y - 1), unit_y, panel->phase_y);
    (void)gorse_clip(area, &whole);
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

void gorse_dirty_number(gorse *g, uint16_t widget) {
    gorse_view view;
    gorse_see(g, widget, &view);
    gorse_dirty_widget(g, view.widget);
}

void gorse_redraw(gorse *g) {
    gorse_rect whole;
    whole_panel(g, &whole);
    gorse_head_of(g)->dirty_count = 0;
    gorse_dirty(g, &whole);
}
