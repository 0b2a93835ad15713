/* SPDX-License-Identifier: MIT */
/* Touch: which widget takes a press, whether the finger is still on it, and what it makes of the release. */
#include "gorse_internal.h"

static uint8_t holds(const gorse_widget *widget, gorse_place x, gorse_place y) {
    gorse_rect box;
    gorse_widget_box(widget, &box);
    return (uint8_t)(x >= box.x0 && x < box.x1 && y >= box.y0 && y < box.y1);
}

static uint16_t widget_at(gorse *g, gorse_place x, gorse_place y) {
    uint16_t i = gorse_shown(g)->widget_count;
    while (i-- != 0u) {
        gorse_view view;
        gorse_see(g, i, &view);
        if (view.widget->visible != 0u && (view.widget->kind->flags & GORSE_KIND_TOUCHED) != 0u &&
            holds(view.widget, x, y) != 0u)
            return i;
    }
    return GORSE_NONE;
}

static void set_inside(gorse *g, uint8_t inside) {
    gorse_head *head = gorse_head_of(g);
    if (head->inside == inside)
        return;
    head->inside = inside;
    gorse_dirty_number(g, head->pressed);
}

static void press(gorse *g, gorse_place x, gorse_place y) {
    gorse_head *head = gorse_head_of(g);
    head->down = 1;
    head->pressed = widget_at(g, x, y);
    if (head->pressed == GORSE_NONE)
        return;
    set_inside(g, 1);
    gorse_event(g, GORSE_ON_PRESS, head->pressed);
}

void gorse_touch(gorse *g, int16_t x, int16_t y, uint8_t down) {
    gorse_head *head = gorse_head_of(g);
    gorse_view view;
    uint16_t pressed = head->pressed;
    uint8_t inside;
    if (head->down == 0u) {
        if (down != 0u)
            press(g, x, y);
        return;
    }
    head->down = down != 0u ? 1u : 0u;
    if (pressed == GORSE_NONE)
        return;
    gorse_see(g, pressed, &view);
    inside = holds(view.widget, x, y);
    set_inside(g, down != 0u ? inside : 0u);
    if (down != 0u)
        return;
    head->pressed = GORSE_NONE;
    gorse_event(g, GORSE_ON_RELEASE, pressed);
    if (inside != 0u)
        gorse_event(g, GORSE_ON_TAP, pressed);
}
