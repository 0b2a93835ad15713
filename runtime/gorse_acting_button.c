/* SPDX-License-Identifier: MIT */
/* Buttons that set a variable: while they are pressed, at each tap, or as one of several; and that repeat. */
#include "gorse_acting_button.h"

enum { BAR = 3 }; /* pixels of the bar at the edge of one that is on */

static const gorse_widget_acting_button *button_of(const gorse_widget *widget) {
    return (const gorse_widget_acting_button *)(const void *)widget;
}

static uint16_t form_of(const gorse_widget_acting_button *b, uint8_t number) { return (uint16_t)b->form[number]; }

/* What it shows: rules may run between the widgets' ticks. */
static uint8_t shows_on(const gorse *g, const gorse_widget *widget) {
    return (uint8_t)(*gorse_widget_state(g, widget) != 0);
}

static uint8_t is_on(const gorse *g, const gorse_widget_acting_button *b) {
    const int32_t value = gorse_number(g, b->button.variable);
    if (form_of(b, GORSE_BUTTON_ACTS) == GORSE_ACTS_CHOICE)
        return (uint8_t)(b->button.variable != GORSE_NONE && value == b->form[GORSE_BUTTON_CHOICE]);
    return (uint8_t)(value != 0);
}

uint8_t gorse_acting_button_states(const gorse *g, gorse_record *record) {
    gorse_widget_acting_button *b = &record->acting;
    if (shows_on(g, &record->widget) == 0u)
        return 0;
    if (form_of(b, GORSE_BUTTON_TEXT_ON) != GORSE_NONE)
        b->button.label.text = gorse_string(g, form_of(b, GORSE_BUTTON_TEXT_ON));
    if (b->image_on != 0)
        b->button.image = b->image_on;
    return GORSE_STATE_ON;
}

static void show(gorse *g, const gorse_widget *widget, uint8_t on) {
    *gorse_widget_state(g, widget) = (char)on;
    gorse_dirty_widget(g, widget);
    if (widget->capacity != 0u)
        gorse_refresh_text(g, gorse_control_number(g, widget));
}

void gorse_acting_button_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    (void)look;
    if (what == GORSE_COMMAND_ENTER)
        show(g, widget, is_on(g, button_of(widget)));
}

uint8_t gorse_acting_button_tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const uint8_t now = is_on(g, button_of(widget));
    (void)look;
    if (shows_on(g, widget) != now)
        show(g, widget, now);
    return 0;
}

static void tap(gorse *g, uint16_t number, const gorse_widget_acting_button *b) {
    const uint8_t on = is_on(g, b);
    int32_t value = (int32_t)(on == 0u);
    if (form_of(b, GORSE_BUTTON_ACTS) == GORSE_ACTS_CHOICE) {
        value = b->form[GORSE_BUTTON_CHOICE];
        if (on != 0u && form_of(b, GORSE_BUTTON_MAY_CLEAR) != 0u)
            value = 0;
    }
    gorse_set_by_control(g, number, b->button.variable, value);
}

/* One that acts while it is pressed follows the finger off itself, and back. */
static void touch_momentary(gorse *g, uint16_t number, const gorse_widget_acting_button *b, uint8_t what) {
    const uint8_t pressed = (uint8_t)(what != GORSE_TOUCH_RELEASE && gorse_head_of(g)->inside != 0u);
    gorse_finger_of(g)->falls_back = pressed != 0u ? b->button.variable : (uint16_t)GORSE_NONE;
    gorse_set_by_control(g, number, b->button.variable, pressed);
}

void gorse_touch_acting_button(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    const gorse_widget_acting_button *b = button_of(view->widget);
    if (what == GORSE_TOUCH_PRESS)
        gorse_repeat_in(g, form_of(b, GORSE_BUTTON_REPEAT_AFTER));
    if (what == GORSE_TOUCH_REPEAT)
        gorse_repeat_in(g, form_of(b, GORSE_BUTTON_REPEAT_EVERY));
    if (form_of(b, GORSE_BUTTON_ACTS) == GORSE_ACTS_MOMENTARY)
        touch_momentary(g, number, b, what);
    else if (what == GORSE_TOUCH_RELEASE && gorse_is_tap(g) != 0u)
        tap(g, number, b);
}

void gorse_draw_button_bar(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_acting_button *b = button_of(widget);
    const gorse_colour colour =
        (gorse_colour)form_of(b, GORSE_BUTTON_COLOUR_HIGH) << 16 | form_of(b, GORSE_BUTTON_COLOUR_LOW);
    gorse_canvas inside = *c;
    gorse_look bar = *look;
    gorse_rect box, edge;
    if (gorse_alpha(colour) == 0u || shows_on(c->run, widget) == 0u)
        return;
    gorse_widget_box(widget, &box);
    edge = box;
    if (form_of(b, GORSE_BUTTON_ACTS) == GORSE_ACTS_CHOICE)
        edge.y1 = gorse_min(edge.y1, (gorse_coord)(edge.y0 + BAR));
    else
        edge.x1 = gorse_min(edge.x1, (gorse_coord)(edge.x0 + BAR));
    bar.fill = colour;
    bar.border_width = 0;
    if (gorse_clip(&inside.clip, &edge) != 0u)
        gorse_draw_box(&inside, &box, &bar);
}
