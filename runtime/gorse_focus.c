/* SPDX-License-Identifier: MIT */
/* The focus: where the knob and the keys are, what they press, and the values that they change. */
#include "gorse_control.h"
#include "gorse_drawer.h"
#include "gorse_focus.h"
#include "gorse_keys.h"
#include "gorse_list.h"
#include "gorse_pager.h"
#include "gorse_typing.h"

/* The widgets of the shown screen that the focus reaches, in order. */
static const GORSE_ROM uint16_t *order_of(const gorse *g, uint16_t *count) {
    const GORSE_ROM gorse_controls *controls = g->scene->controls;
    const uint16_t screen = gorse_head_of(g)->screen, first = controls->focus_starts[screen];
    *count = (uint16_t)(controls->focus_starts[screen + 1u] - first);
    return controls->focus_order + first;
}

static uint8_t is_reachable(const gorse *g, uint16_t widget) {
    gorse_view view;
    gorse_see(g, widget, &view);
    return (uint8_t)(view.widget->visible != 0u && view.widget->enabled != 0u && widget >= gorse_first_open(g));
}

static void put_on(gorse *g, uint16_t widget) {
    gorse_focus *focus = gorse_focus_of(g);
    const uint16_t before = focus->widget;
    if (before == widget)
        return;
    /* What the push pressed is let go without a tap. */
    if (focus->pushed != 0u && gorse_head_of(g)->down == 0u)
        gorse_lose_finger(g);
    focus->pushed = 0;
    if (before != GORSE_NONE)
        gorse_dirty_number(g, before);
    focus->widget = widget;
    focus->entered = 0;
    if (widget != GORSE_NONE) {
        gorse_reveal(g, widget);
        gorse_dirty_number(g, widget);
    }
    if (before != GORSE_NONE && gorse_is_entered(g, before) == 0u)
        gorse_event(g, GORSE_EVENT_BLUR, before);
    if (widget != GORSE_NONE && gorse_is_entered(g, widget) == 0u)
        gorse_event(g, GORSE_EVENT_FOCUS, widget);
}

/* The next widget that is reachable, one way, from a place of the order on; GORSE_NONE if there is none. */
static uint16_t next_from(const gorse *g, uint16_t from, int8_t way, uint8_t wraps) {
    uint16_t count, tried;
    const GORSE_ROM uint16_t *order = order_of(g, &count);
    uint16_t at = from;
    for (tried = 0; tried < count; tried++) {
        if (way > 0) {
            if (at + 1u >= count && wraps == 0u)
                break;
            at = (uint16_t)(at + 1u >= count ? 0u : at + 1u);
        } else {
            if (at == 0u && wraps == 0u)
                break;
            at = (uint16_t)(at == 0u ? count - 1u : at - 1u);
        }
        if (is_reachable(g, order[at]) != 0u)
            return order[at];
    }
    return GORSE_NONE;
}

static void move(gorse *g, int8_t way) {
    const uint16_t now = gorse_focus_of(g)->widget;
    uint16_t count, at = 0, next;
    const GORSE_ROM uint16_t *order = order_of(g, &count);
    while (at < count && order[at] != now)
        at++;
    next = next_from(g, at, way, g->scene->controls->focus_wraps);
    if (next != GORSE_NONE)
        put_on(g, next);
}

/* The first that is reachable, or GORSE_NONE. */
static uint16_t first_of(const gorse *g) {
    uint16_t count;
    const GORSE_ROM uint16_t *order = order_of(g, &count);
    if (count != 0u && is_reachable(g, order[0]) != 0u)
        return order[0];
    return next_from(g, 0, 1, 0);
}

void gorse_enter_focus(gorse *g) {
    gorse_focus *focus = gorse_focus_of(g);
    uint16_t *remembered = gorse_remembered_focus(g);
    const uint16_t screen = gorse_head_of(g)->screen;
    uint16_t i;
    if (gorse_head_of(g)->started == 0u)
        for (i = 0; i < g->scene->screen_count; i++)
            remembered[i] = GORSE_NONE;
    focus->entered = 0;
    focus->pushed = 0;
    focus->widget = remembered[screen];
    if (focus->widget == GORSE_NONE || is_reachable(g, focus->widget) == 0u)
        focus->widget = first_of(g);
    remembered[screen] = focus->widget;
}

void gorse_keep_focus(gorse *g) {
    gorse_focus *focus = gorse_focus_of(g);
    uint16_t *remembered = &gorse_remembered_focus(g)[gorse_head_of(g)->screen];
    if (focus->widget == GORSE_NONE || is_reachable(g, focus->widget) == 0u)
        put_on(g, *remembered != GORSE_NONE && is_reachable(g, *remembered) != 0u ? *remembered : first_of(g));
    *remembered = focus->widget;
}

/* Changes the value of the control that was entered by so many of its steps. */
static void turn_value(gorse *g, int8_t steps) {
    const uint16_t number = gorse_focus_of(g)->widget;
    const gorse_widget_indicator *control;
    gorse_view view;
    int32_t value;
    uint32_t step;
    gorse_see(g, number, &view);
    control = (const gorse_widget_indicator *)(const void *)view.widget;
    value = gorse_shown_value(g, control);
    step = (uint32_t)control->limits[2];
    for (; steps > 0; steps--)
        value = (uint32_t)control->limits[1] - (uint32_t)value > step && value < control->limits[1]
                    ? gorse_wrapped((uint32_t)value + step)
                    : control->limits[1];
    for (; steps < 0; steps++)
        value = (uint32_t)value - (uint32_t)control->limits[0] > step && value > control->limits[0]
                    ? gorse_wrapped((uint32_t)value - step)
                    : control->limits[0];
    gorse_set_by_control(g, number, control->variable, value);
}

/* In a list from item to item, then on. */
static void step(gorse *g, int8_t way) {
    const uint16_t now = gorse_focus_of(g)->widget;
    if (now == GORSE_NONE || (gorse_shown(g)->widgets[now]->kind->flags & GORSE_KIND_LISTS) == 0u ||
        gorse_step_list(g, now, way) == 0u)
        move(g, way);
}

static void turn(gorse *g, int8_t steps) {
    const gorse_focus *focus = gorse_focus_of(g);
    if (focus->widget != GORSE_NONE && focus->entered != 0u) {
        turn_value(g, steps);
        return;
    }
    if (focus->widget == GORSE_NONE)
        gorse_page_by(g, steps);
    for (; steps > 0; steps--)
        step(g, 1);
    for (; steps < 0; steps++)
        step(g, -1);
}

static void leave(gorse *g) {
    gorse_focus *focus = gorse_focus_of(g);
    focus->entered = 0;
    gorse_dirty_number(g, focus->widget);
    gorse_event(g, GORSE_EVENT_DONE, focus->widget);
}

/* Presses the widget, or enters it if it has a value to turn. */
static void push(gorse *g) {
    gorse_focus *focus = gorse_focus_of(g);
    gorse_view view;
    gorse_rect box;
    if (focus->widget == GORSE_NONE || gorse_head_of(g)->pressed != GORSE_NONE || is_reachable(g, focus->widget) == 0u)
        return;
    gorse_see(g, focus->widget, &view);
    if ((view.widget->kind->flags & GORSE_KIND_ENTERED) == 0u) {
        gorse_widget_box(view.widget, &box);
        focus->pushed = 1;
        gorse_begin_press(g, focus->widget, (int16_t)((box.x0 + box.x1) / 2), (int16_t)((box.y0 + box.y1) / 2));
    } else if (focus->entered != 0u) {
        leave(g);
    } else {
        focus->entered = 1;
        gorse_dirty_number(g, focus->widget);
    }
}

static void let_go(gorse *g) {
    gorse_focus *focus = gorse_focus_of(g);
    if (focus->pushed == 0u)
        return;
    focus->pushed = 0;
    if (gorse_head_of(g)->pressed == focus->widget && gorse_head_of(g)->down == 0u)
        gorse_end_press(g, 1);
}

static uint8_t has_focus(const gorse *g) {
    return (uint8_t)(g->scene->controls != 0 && g->scene->controls->has_focus != 0u);
}

void gorse_knob(gorse *g, int8_t steps) {
    if (g->scene == 0 || steps == 0)
        return;
    gorse_hear_input(g);
    if (gorse_turn_typing(g, steps) != 0u)
        return;
    if (has_focus(g) != 0u)
        turn(g, steps);
    gorse_run_key_rules(g, GORSE_EVENT_KNOB, (uint16_t)(steps > 0));
}

/* Returns 0 if the key does something else than its rules. */
static uint8_t act(gorse *g, uint8_t key) {
    switch (key) {
    case GORSE_KEY_UP:
    case GORSE_KEY_LEFT: turn(g, -1); break;
    case GORSE_KEY_DOWN:
    case GORSE_KEY_RIGHT: turn(g, 1); break;
    case GORSE_KEY_ENTER:
    case GORSE_KEY_PUSH: push(g); break;
    case GORSE_KEY_BACK:
        if (gorse_focus_of(g)->entered != 0u)
            leave(g);
        else if (gorse_close_drawer(g) != 0u)
            return 0;
        break;
    default: break;
    }
    return 1;
}

void gorse_key(gorse *g, uint8_t key, uint8_t down) {
    if (g->scene == 0)
        return;
    gorse_hear_input(g);
    if (down != 0u && gorse_key_typing(g, key) != 0u)
        return;
    if (has_focus(g) != 0u) {
        if (down != 0u && act(g, key) == 0u)
            return;
        if (down == 0u && (key == GORSE_KEY_ENTER || key == GORSE_KEY_PUSH))
            let_go(g);
    }
    if (down != 0u)
        gorse_run_key_rules(g, GORSE_EVENT_KEY, key);
}

const GORSE_ROM uint8_t gorse_hears_keys = 1;
