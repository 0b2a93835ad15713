/* SPDX-License-Identifier: MIT */
/* Touch: which widget takes a press, whether the finger is still on it, and what it makes of the release. */
#include "gorse_internal.h"

static uint8_t holds(const gorse_widget *widget, gorse_coord x, gorse_coord y) {
    gorse_rect box;
    gorse_widget_box(widget, &box);
    return (uint8_t)(x >= box.x0 && x < box.x1 && y >= box.y0 && y < box.y1);
}

static uint16_t widget_at(gorse *g, gorse_coord x, gorse_coord y) {
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

GORSE_REPLACEABLE void gorse_touch(gorse *g, int16_t x, int16_t y, uint8_t down) {
    gorse_head *head = gorse_head_of(g);
    gorse_view view;
    uint8_t was_down, inside, shown;
    uint16_t pressed;
    if (g->scene == 0)
        return;
    was_down = head->down;
    head->down = (uint8_t)(down != 0u);
    if (was_down == 0u && down != 0u)
        head->pressed = widget_at(g, x, y);
    pressed = head->pressed;
    if (pressed == GORSE_NONE)
        return;
    gorse_see(g, pressed, &view);
    inside = holds(view.widget, x, y);
    shown = (uint8_t)(inside & head->down);
    if (head->inside != shown) {
        head->inside = shown;
        gorse_dirty_number(g, pressed);
    }
    if (was_down == 0u)
        gorse_event(g, GORSE_EVENT_PRESS, pressed);
    if (down != 0u)
        return;
    head->pressed = GORSE_NONE;
    gorse_event(g, GORSE_EVENT_RELEASE, pressed);
    if (inside != 0u)
        gorse_event(g, GORSE_EVENT_TAP, pressed);
}
