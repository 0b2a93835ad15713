/* SPDX-License-Identifier: MIT */
/* The list of areas to draw. A new one is joined with the one that makes that cheapest, when joining costs less than
 * another rectangle or the list is full. */
#include "gorse_internal.h"

/* What a rectangle costs on the bus beside its pixels, in pixels. */
#define RECTANGLE_COST 12

static int32_t area_of(const gorse_rect *r) { return (int32_t)(r->x1 - r->x0) * (int32_t)(r->y1 - r->y0); }

static void grow_around(gorse_rect *a, const gorse_rect *b) {
    a->x0 = gorse_least(a->x0, b->x0);
    a->y0 = gorse_least(a->y0, b->y0);
    a->x1 = gorse_most(a->x1, b->x1);
    a->y1 = gorse_most(a->y1, b->y1);
}

/* Pixels that joining two rectangles sends more than sending both. */
static int32_t joining_cost(const gorse_rect *a, const gorse_rect *b) {
    gorse_rect both = *a;
    grow_around(&both, b);
    return area_of(&both) - area_of(a) - area_of(b);
}

int16_t gorse_round_down(int16_t at, uint8_t unit, uint8_t phase) {
    uint16_t places = (uint16_t)(at - phase);
    return (int16_t)((uint16_t)(places & (uint16_t)~(uint16_t)(unit - 1u)) + phase);
}

/* Formats with several pixels a byte send whole bytes. */
static gorse_rect rounded(const gorse *g, gorse_rect r) {
    const GORSE_ROM gorse_panel *panel = g->scene->panel;
    gorse_rect whole;
    whole.x0 = whole.y0 = 0;
    whole.x1 = (int16_t)panel->width;
    whole.y1 = (int16_t)panel->height;
    r = gorse_both(r, whole);
    r.x0 = gorse_round_down(r.x0, panel->unit_x, panel->phase_x);
    r.y0 = gorse_round_down(r.y0, panel->unit_y, panel->phase_y);
    r.x1 = gorse_round_down((int16_t)(r.x1 + panel->unit_x - 1), panel->unit_x, panel->phase_x);
    r.y1 = gorse_round_down((int16_t)(r.y1 + panel->unit_y - 1), panel->unit_y, panel->phase_y);
    return gorse_both(r, whole);
}

static void remove_at(gorse_head *head, uint8_t at) {
    head->dirty_count = (uint8_t)(head->dirty_count - 1u);
    head->dirty[at] = head->dirty[head->dirty_count];
}

/* The cheapest pair when the list has no room left: joins two of the list, or one with `extra`, which it changes. */
static void make_room(gorse_head *head, gorse_rect *extra) {
    uint8_t i, j, best_i = 0, best_j = GORSE_DIRTY;
    int32_t best = 0x7fffffff;
    for (i = 0; i < head->dirty_count; i++)
        for (j = (uint8_t)(i + 1u); j <= head->dirty_count; j++) {
            int32_t cost = joining_cost(&head->dirty[i], j < head->dirty_count ? &head->dirty[j] : extra);
            if (cost < best) {
                best = cost;
                best_i = i;
                best_j = j;
            }
        }
    if (best_j < head->dirty_count) {
        grow_around(&head->dirty[best_i], &head->dirty[best_j]);
        remove_at(head, best_j);
    } else {
        grow_around(extra, &head->dirty[best_i]);
        remove_at(head, best_i);
    }
}

void gorse_dirty(gorse *g, gorse_rect area) {
    gorse_head *head = gorse_head_of(g);
    uint8_t i = 0;
    if (gorse_is_empty(area))
        return;
    area = rounded(g, area);
    if (gorse_is_empty(area))
        return;
    while (i < head->dirty_count) {
        if (joining_cost(&area, &head->dirty[i]) <= RECTANGLE_COST) {
            grow_around(&area, &head->dirty[i]);
            remove_at(head, i);
            i = 0;
        } else {
            i++;
        }
    }
    if (head->dirty_count == GORSE_DIRTY)
        make_room(head, &area);
    head->dirty[head->dirty_count++] = area;
}

void gorse_dirty_widget(gorse *g, const gorse_screen *screen, uint16_t widget) {
    gorse_record record;
    gorse_look look;
    gorse_get_widget(g, screen, widget, &record, &look);
    if (record.widget.visible != 0u)
        gorse_dirty(g, gorse_widget_box(&record.widget));
}

void gorse_redraw(gorse *g) {
    gorse_rect whole;
    whole.x0 = whole.y0 = 0;
    whole.x1 = (int16_t)g->scene->panel->width;
    whole.y1 = (int16_t)g->scene->panel->height;
    gorse_head_of(g)->dirty_count = 0;
    gorse_dirty(g, whole);
}
