/* SPDX-License-Identifier: MIT */
/* Touch: which widget takes a press, whether the finger is still on it, and what it makes of the release. */
#include "gorse_internal.h"

static uint8_t holds(const gorse_widget *widget, int16_t x, int16_t y) {
    gorse_rect box = gorse_widget_box(widget);
    return (uint8_t)(x >= box.x0 && x < box.x1 && y >= box.y0 && y < box.y1);
}

static uint16_t widget_at(gorse *g, const gorse_screen *screen, int16_t x, int16_t y) {
    uint16_t i = screen->widget_count;
    while (i-- != 0u) {
        gorse_record record;
        gorse_look look;
        gorse_get_widget(g, screen, i, &record, &look);
        if (record.widget.visible != 0u && (gorse_kind_flags(&record.widget) & GORSE_KIND_TOUCHED) != 0u &&
            holds(&record.widget, x, y) != 0u)
            return i;
    }
    return GORSE_NONE;
}

static void set_inside(gorse *g, const gorse_screen *screen, uint8_t inside) {
    gorse_head *head = gorse_head_of(g);
    if (head->inside == inside)
        return;
    head->inside = inside;
    gorse_dirty_widget(g, screen, head->pressed);
}

void gorse_touch(gorse *g, int16_t x, int16_t y, uint8_t down) {
    gorse_head *head = gorse_head_of(g);
    gorse_screen screen;
    gorse_record record;
    gorse_look look;
    uint16_t pressed;
    uint8_t inside;
    if (head->down == 0u && down == 0u)
        return;
    gorse_get_screen(g, head->screen, &screen);
    if (head->down == 0u) {
        head->down = 1;
        head->pressed = widget_at(g, &screen, x, y);
        if (head->pressed == GORSE_NONE)
            return;
        set_inside(g, &screen, 1);
        gorse_event(g, GORSE_ON_PRESS, head->pressed);
        return;
    }
    head->down = down != 0u ? 1u : 0u;
    pressed = head->pressed;
    if (pressed == GORSE_NONE)
        return;
    gorse_get_widget(g, &screen, pressed, &record, &look);
    inside = holds(&record.widget, x, y);
    if (down != 0u) {
        set_inside(g, &screen, inside);
        return;
    }
    set_inside(g, &screen, 0);
    head->pressed = GORSE_NONE;
    gorse_event(g, GORSE_ON_RELEASE, pressed);
    if (inside != 0u)
        gorse_event(g, GORSE_ON_TAP, pressed);
}
