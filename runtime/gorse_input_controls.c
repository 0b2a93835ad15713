/* SPDX-License-Identifier: MIT */
/* Touch in scenes with controls or containers: which target takes a press, what the finger does to it, holds and
 * swipes. gorse_input.c takes the place of this file in others. */
#include "gorse_container.h"
#include "gorse_control.h"
#include "gorse_drawer.h"
#include "gorse_transition.h"
#include "gorse_typing.h"

/* A swipe goes at least so far, in pixels, twice as far as across, within so many ms. */
enum { SWIPE_WAY = 24, SWIPE_MS = 600 };

/* Pixels that a target reaches beyond the box of its widget. */
static uint8_t margin_of(const gorse *g, uint16_t widget) {
    const GORSE_ROM gorse_controls *controls = g->scene->controls;
    const GORSE_ROM gorse_margin *each;
    uint16_t i;
    if (controls == 0)
        return 0;
    for (i = controls->margin_count, each = controls->margins; i != 0u; i--, each++)
        if (each->screen == gorse_head_of(g)->screen && each->widget == widget)
            return each->pixels;
    return 0;
}

static uint8_t holds(const gorse *g, uint16_t number, const gorse_widget *widget, gorse_coord x, gorse_coord y) {
    gorse_rect box;
    gorse_widget_box(widget, &box);
    gorse_shrink(&box, (gorse_coord)-margin_of(g, number));
    if (gorse_clip_to_holders(g, number, &box) == 0u)
        return 0;
    return (uint8_t)(x >= box.x0 && x < box.x1 && y >= box.y0 && y < box.y1);
}

static uint8_t takes_touch(const gorse_widget *widget) {
    return (uint8_t)(widget->visible != 0u && widget->enabled != 0u &&
                     (widget->kind->flags & GORSE_KIND_TOUCHED) != 0u);
}

static uint16_t widget_at(gorse *g, gorse_coord x, gorse_coord y) {
    const uint16_t first = gorse_first_open(g);
    uint16_t i = gorse_shown(g)->widget_count;
    while (i-- > first) {
        gorse_view view;
        gorse_see(g, i, &view);
        if (takes_touch(view.widget) != 0u && holds(g, i, view.widget, x, y) != 0u)
            return i;
    }
    return GORSE_NONE;
}

static void touch_control(gorse *g, uint8_t what) {
    const uint16_t number = gorse_head_of(g)->pressed;
    gorse_view view;
    if (number == GORSE_NONE || g->scene->controls == 0)
        return;
    gorse_see(g, number, &view);
    if ((view.widget->kind->flags & GORSE_KIND_CONTROL) != 0u)
        gorse_control_kind_of(view.widget)->touch(g, number, &view, what);
}

void gorse_touch_control(gorse *g, uint8_t what, uint8_t event) {
    const uint16_t number = gorse_head_of(g)->pressed;
    touch_control(g, what);
    if (event != 0u && number != GORSE_NONE)
        gorse_event(g, event, number);
}

void gorse_lose_finger(gorse *g) {
    gorse_finger *finger = gorse_finger_of(g);
    const uint16_t variable = finger->falls_back, pressed = gorse_head_of(g)->pressed;
    finger->flags = 0;
    finger->memory = GORSE_NONE;
    finger->falls_back = GORSE_NONE;
    gorse_head_of(g)->pressed = GORSE_NONE;
    gorse_head_of(g)->inside = 0;
    gorse_set_by_control(g, pressed, variable, 0);
    if (pressed != GORSE_NONE)
        gorse_dirty_number(g, pressed);
}

/* Where the finger came down, on a widget or beside all of them. */
static void begin_finger(gorse *g, int16_t x, int16_t y) {
    gorse_finger *finger;
    if (g->scene->controls == 0)
        return;
    finger = gorse_finger_of(g);
    finger->since = gorse_head_of(g)->now;
    finger->from_x = finger->before_x = finger->x = x;
    finger->from_y = finger->before_y = finger->y = y;
    finger->memory = finger->falls_back = GORSE_NONE;
    finger->flags = GORSE_FINGER_WAITS | GORSE_FINGER_FRESH;
}

void gorse_begin_press(gorse *g, uint16_t widget, int16_t x, int16_t y) {
    gorse_head *head = gorse_head_of(g);
    begin_finger(g, x, y);
    gorse_finger_of(g)->over = 1;
    head->pressed = widget;
    head->inside = 1;
    gorse_dirty_number(g, widget);
    gorse_touch_control(g, GORSE_TOUCH_PRESS, GORSE_EVENT_PRESS);
}

static uint8_t moves_finger(gorse *g, int16_t x, int16_t y) {
    gorse_finger *finger;
    uint8_t moved;
    if (g->scene->controls == 0)
        return 0;
    finger = gorse_finger_of(g);
    moved = (uint8_t)(finger->x != x || finger->y != y);
    finger->before_x = finger->x;
    finger->before_y = finger->y;
    finger->x = x;
    finger->y = y;
    return moved;
}

/* The swipe that the finger made, as an event; 0 if it made none. */
static uint8_t swipe_of(const gorse *g) {
    const gorse_finger *finger;
    int32_t across, down, far_across, far_down;
    if (g->scene->controls == 0)
        return 0;
    finger = gorse_finger_of(g);
    across = (int32_t)finger->x - finger->from_x;
    down = (int32_t)finger->y - finger->from_y;
    far_across = across < 0 ? -across : across;
    far_down = down < 0 ? -down : down;
    if (gorse_head_of(g)->now - finger->since > SWIPE_MS || finger->memory != GORSE_NONE ||
        (finger->flags & GORSE_FINGER_SCROLLS) != 0u)
        return 0;
    if (far_across >= SWIPE_WAY && far_across >= 2 * far_down)
        return across < 0 ? GORSE_EVENT_SWIPE_LEFT : GORSE_EVENT_SWIPE_RIGHT;
    if (far_down >= SWIPE_WAY && far_down >= 2 * far_across)
        return down < 0 ? GORSE_EVENT_SWIPE_UP : GORSE_EVENT_SWIPE_DOWN;
    return 0;
}

/* A swipe on a widget is one of its screen too. */
static void report_swipe(gorse *g, uint16_t pressed, uint8_t swipe) {
    if (swipe == 0u)
        return;
    if (pressed != GORSE_NONE)
        gorse_event(g, swipe, pressed);
    gorse_event(g, swipe, GORSE_NONE);
}

void gorse_end_press(gorse *g, uint8_t inside) {
    gorse_head *head = gorse_head_of(g);
    const uint16_t pressed = head->pressed;
    const uint8_t swipe = swipe_of(g);
    uint8_t is_tap = inside, flags = 0;
    if (g->scene->controls != 0)
        flags = gorse_finger_of(g)->flags;
    if ((flags & GORSE_FINGER_FIRED) != 0u)
        is_tap = 0;
    if ((flags & GORSE_FINGER_SCROLLS) == 0u && (pressed == GORSE_NONE || inside != 0u))
        gorse_leave_typing(g, pressed);
    if (pressed != GORSE_NONE) {
        touch_control(g, GORSE_TOUCH_RELEASE);
        if (head->inside != 0u)
            gorse_dirty_number(g, pressed);
        head->inside = 0;
        head->pressed = GORSE_NONE;
        gorse_event(g, GORSE_EVENT_RELEASE, pressed);
        if (is_tap != 0u && (swipe == 0u || gorse_has_rule(g, swipe, pressed) == 0u))
            gorse_event(g, GORSE_EVENT_TAP, pressed);
    }
    if (g->scene->controls != 0)
        gorse_finger_of(g)->flags = 0;
    report_swipe(g, pressed, swipe);
}

void gorse_touch(gorse *g, int16_t x, int16_t y, uint8_t down) {
    gorse_head *head = gorse_head_of(g);
    uint8_t was_down, inside = 0, moved;
    if (g->scene == 0)
        return;
    was_down = head->down;
    head->down = (uint8_t)(down != 0u);
    gorse_hear_input(g);
    /* It waits until the screen has come. */
    if (gorse_in_transition(g) != 0u)
        return;
    if (was_down == 0u && down != 0u) {
        /* A key may press something. */
        if (head->pressed != GORSE_NONE && g->scene->controls != 0)
            gorse_lose_finger(g);
        head->pressed = widget_at(g, x, y);
        begin_finger(g, x, y);
        if (gorse_press_scrolling(g) != 0u)
            head->pressed = GORSE_NONE;
        else if (head->pressed == GORSE_NONE)
            gorse_touch_shade(g, x, y);
    }
    moved = was_down != 0u ? moves_finger(g, x, y) : (uint8_t)0;
    if (moved != 0u && gorse_move_scrolling(g) != 0u)
        moved = 0;
    if (down == 0u)
        gorse_release_scrolling(g);
    if (head->pressed != GORSE_NONE) {
        gorse_view view;
        uint8_t shown;
        gorse_see(g, head->pressed, &view);
        inside = holds(g, head->pressed, view.widget, x, y);
        if (g->scene->controls != 0)
            gorse_finger_of(g)->over = inside;
        shown = (uint8_t)(inside & head->down);
        if (head->inside != shown) {
            head->inside = shown;
            gorse_dirty_number(g, head->pressed);
        }
    }
    if (was_down == 0u && down != 0u)
        gorse_touch_control(g, GORSE_TOUCH_PRESS, GORSE_EVENT_PRESS);
    else if (moved != 0u)
        gorse_touch_control(g, GORSE_TOUCH_MOVE, 0);
    if (was_down != 0u && down == 0u)
        gorse_end_press(g, inside);
}
