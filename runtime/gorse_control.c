/* SPDX-License-Identifier: MIT */
/* The variables that controls set, and the values that they show while a finger moves them. */
#include "gorse_control.h"

uint8_t gorse_has_rule(const gorse *g, uint8_t event, uint16_t widget) {
    const GORSE_ROM gorse_rule *rule = g->scene->rules;
    uint16_t i;
    for (i = g->scene->rule_count; i != 0u; i--, rule++)
        if (rule->event == event && rule->screen == gorse_head_of(g)->screen && rule->widget == widget)
            return 1;
    return 0;
}

void gorse_repeat_in(gorse *g, uint16_t ms) {
    gorse_finger *finger = gorse_finger_of(g);
    if (ms == 0u)
        return;
    finger->due = gorse_head_of(g)->now + ms;
    finger->flags = (uint8_t)(finger->flags | (unsigned)GORSE_FINGER_REPEATS);
}

void gorse_set_by_control(gorse *g, uint16_t number, uint16_t variable, int32_t value) {
    const int32_t before = gorse_number(g, variable);
    if (variable >= g->scene->number_count)
        return;
    (void)gorse_set_number(g, variable, value);
    if (gorse_number(g, variable) == before)
        return;
    if (g->port.changed != 0)
        g->port.changed(g->port.user, variable);
    gorse_event(g, GORSE_EVENT_CHANGE, number);
}

uint16_t gorse_control_number(const gorse *g, const gorse_widget *widget) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    uint16_t number = 0;
    while (screen->widgets[number]->memory != widget->memory)
        number++;
    return number;
}

int32_t gorse_control_value(const gorse *g, const gorse_widget_indicator *control) {
    return gorse_is_moved(g, &control->widget) != 0u ? gorse_finger_of(g)->value : gorse_shown_value(g, control);
}

void gorse_take_control(gorse *g, const gorse_widget_indicator *control) {
    gorse_finger *finger = gorse_finger_of(g);
    finger->value = gorse_shown_value(g, control);
    finger->memory = control->widget.memory;
}

void gorse_move_control(gorse *g, uint16_t number, const gorse_widget_indicator *control, int32_t value) {
    gorse_finger *finger = gorse_finger_of(g);
    if (finger->value == value)
        return;
    finger->value = value;
    gorse_set_by_control(g, number, control->variable, value);
}

void gorse_let_go(gorse *g, uint16_t number, const gorse_widget_indicator *control) {
    gorse_finger *finger = gorse_finger_of(g);
    finger->memory = GORSE_NONE;
    gorse_dirty_number(g, number);
    if (control->yields == 0u)
        gorse_set_by_control(g, number, control->variable, finger->value);
}

void gorse_enter_control(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    int32_t before, now;
    (void)look;
    if (what == GORSE_COMMAND_ENTER)
        (void)gorse_renew_control(g, widget, &before, &now);
}

uint8_t gorse_renew_control(gorse *g, const gorse_widget *widget, int32_t *before, int32_t *now) {
    *before = gorse_drawn_value(g, widget);
    *now = gorse_control_value(g, (const gorse_widget_indicator *)(const void *)widget);
    memcpy(gorse_widget_state(g, widget), now, sizeof *now);
    return (uint8_t)(*before != *now && widget->visible != 0u);
}

int32_t gorse_drawn_value(const gorse *g, const gorse_widget *widget) {
    int32_t value;
    memcpy(&value, gorse_widget_state(g, widget), sizeof value);
    return value;
}

uint8_t gorse_no_states(const gorse *g, gorse_record *record) {
    (void)g;
    (void)record;
    return 0;
}

int32_t gorse_stepped(const GORSE_ROM int32_t *limits, int32_t step, int32_t value) {
    const int32_t min = limits[0], max = limits[1];
    const uint32_t size = step > 0 ? (uint32_t)step : 1u;
    uint32_t way, rest;
    if (value <= min)
        return min;
    if (value >= max)
        return max;
    way = (uint32_t)value - (uint32_t)min;
    rest = way % size;
    way -= rest;
    /* Not beyond the end, which need not be a whole number of steps away. */
    if (rest >= size - rest)
        way = (uint32_t)max - (uint32_t)min - way < size ? (uint32_t)max - (uint32_t)min : way + size;
    return gorse_wrapped((uint32_t)min + way);
}

int32_t gorse_value_at(const GORSE_ROM int32_t *limits, int32_t at, uint16_t length) {
    const uint32_t range = (uint32_t)limits[1] - (uint32_t)limits[0];
    uint32_t part;
    if (at <= 0)
        return limits[0];
    if (at >= (int32_t)length)
        return limits[1];
    part = range / length * (uint32_t)at;
    part += (range % length * (uint32_t)at + length / 2u) / length;
    return gorse_wrapped((uint32_t)limits[0] + part);
}

void gorse_write_decimal(int32_t value, uint8_t decimals, char *out) {
    gorse_writer to;
    to.out = out;
    to.at = 0;
    to.room = GORSE_READOUT_BYTES - 1;
    gorse_put_digits(&to, value < 0 ? 0u - (uint32_t)value : (uint32_t)value, 1, decimals, 0, (uint8_t)(value < 0));
    out[to.at] = 0;
}
