/* SPDX-License-Identifier: MIT */
/* A switch: a grip that lies at one of two ends, and a word at the other. */
#include "gorse_control.h"

/* GAP: pixels between border and grip. TINT: how much of its colour one that is on has inside, of 255. */
enum { ON_COLOUR = 2, GAP = 2, TINT = 64 };

static const gorse_widget_switch *switch_of(const gorse_widget *widget) {
    return (const gorse_widget_switch *)(const void *)widget;
}

static uint8_t is_on(const gorse *g, const gorse_widget_switch *s) {
    return (uint8_t)(gorse_shown_value(g, &s->shown) != 0);
}

static void load(const gorse *g, const gorse_widget *widget, gorse_switch_state *out) {
    memcpy(out, gorse_widget_state(g, widget), sizeof *out);
}

static void store(const gorse *g, const gorse_widget *widget, const gorse_switch_state *state) {
    memcpy(gorse_widget_state(g, widget), state, sizeof *state);
}

static uint8_t states(const gorse *g, gorse_record *record) {
    gorse_switch_state state;
    load(g, &record->widget, &state);
    return (uint8_t)(state.is_on != 0u ? GORSE_STATE_ON : 0);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    gorse_switch_state state;
    (void)look;
    if (what != GORSE_COMMAND_ENTER)
        return;
    state.since = gorse_head_of(g)->now;
    state.is_on = is_on(g, switch_of(widget));
    state.at = state.from = (uint8_t)(state.is_on != 0u ? 255 : 0);
    state.reserved = 0;
    store(g, widget, &state);
}

/* Where the grip is on its way. */
static uint8_t place_now(const gorse *g, const gorse_widget_switch *s, const gorse_switch_state *state) {
    const uint32_t passed = gorse_head_of(g)->now - state->since;
    const uint8_t end = (uint8_t)(state->is_on != 0u ? 255 : 0);
    const uint16_t way = (uint16_t)(end > state->from ? end - state->from : state->from - end);
    uint16_t gone;
    if (passed >= s->slide)
        return end;
    gone = (uint16_t)(passed * way / s->slide);
    return (uint8_t)(end > state->from ? state->from + gone : state->from - gone);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_switch *s = switch_of(widget);
    gorse_switch_state state;
    uint8_t on, at;
    (void)look;
    load(g, widget, &state);
    on = is_on(g, s);
    at = state.at;
    if (on != state.is_on) {
        state.is_on = on;
        state.from = state.at;
        state.since = gorse_head_of(g)->now;
        gorse_dirty_widget(g, widget);
    }
    state.at = place_now(g, s, &state);
    store(g, widget, &state);
    if (state.at != at)
        gorse_dirty_widget(g, widget);
    return 0;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    gorse_switch_state state;
    load(g, widget, &state);
    return state.at != (state.is_on != 0u ? 255u : 0u) ? 0u : GORSE_FOREVER;
}

static void touch(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    const gorse_widget_switch *s = switch_of(view->widget);
    if (what == GORSE_TOUCH_RELEASE && gorse_is_tap(g) != 0u)
        gorse_set_by_control(g, number, s->shown.variable, (int32_t)(is_on(g, s) == 0u));
}

/* The word of one state, in the part of the box that the grip leaves. */
static GORSE_OWN_FRAME void draw_word(const gorse_canvas *c, const gorse_widget_switch *s, const gorse_look *look,
                                      const gorse_rect *area, uint8_t on) {
    const GORSE_ROM uint8_t *words = s->words;
    gorse_text_box where;
    if (on != 0u)
        while (*words++ != 0u) {
        }
    where.box = *area;
    where.align = where.place = GORSE_ALIGN_MIDDLE;
    where.wrap = 0;
    gorse_draw_text(c, gorse_rom_text(words), &where, look->font, look->text);
}

/* The notch in the middle of the grip. */
static void draw_notch(const gorse_canvas *c, const gorse_rect *grip, gorse_colour colour) {
    const gorse_coord h = (gorse_coord)(grip->y1 - grip->y0);
    gorse_rect notch = *grip;
    notch.x0 = (gorse_coord)((grip->x0 + grip->x1) / 2 - 1);
    notch.x1 = gorse_min(grip->x1, (gorse_coord)(notch.x0 + 2));
    notch.y0 = (gorse_coord)(grip->y0 + h / 4);
    notch.y1 = (gorse_coord)(grip->y1 - h / 4);
    gorse_fill_rect(c, &notch, colour);
}

/* The box; what is on has its colour at the border, and a little of it inside. */
static GORSE_OWN_FRAME void draw_box(const gorse_canvas *c, const gorse_rect *box, const gorse_look *look,
                                     gorse_colour on_colour) {
    gorse_look part = *look;
    if (gorse_alpha(on_colour) == 0u) {
        gorse_draw_box(c, box, look);
        return;
    }
    part.border = on_colour;
    gorse_draw_box(c, box, &part);
    part.fill = (on_colour & 0xffffffu) | (gorse_colour)TINT << 24;
    part.border = 0;
    gorse_draw_box(c, box, &part);
}

static GORSE_OWN_FRAME void draw_grip(const gorse_canvas *c, const gorse_rect *grip, const gorse_look *look,
                                      uint8_t on) {
    gorse_look part = *look;
    part.fill = on != 0u ? look->text : look->border;
    part.border_width = 0;
    part.radius = (uint8_t)(look->radius > GAP ? look->radius - GAP + 1 : look->radius);
    gorse_draw_box(c, grip, &part);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_switch *s = switch_of(widget);
    gorse_rect inner, grip;
    gorse_switch_state state;
    gorse_colour colour;
    gorse_coord way;
    load(c->run, widget, &state);
    colour = state.is_on != 0u ? (gorse_colour)s->shown.limits[ON_COLOUR] : 0u;
    gorse_widget_box(widget, &inner);
    draw_box(c, &inner, look, colour);
    gorse_shrink(&inner, (gorse_coord)(look->border_width + GAP));
    if (gorse_is_empty(&inner) != 0u)
        return;
    way = (gorse_coord)((inner.x1 - inner.x0) / 2);
    grip = inner;
    grip.x0 = (gorse_coord)(inner.x0 + (gorse_coord)((int32_t)way * state.at / 255));
    grip.x1 = gorse_min(inner.x1, (gorse_coord)(grip.x0 + (inner.x1 - inner.x0) - way));
    draw_grip(c, &grip, look, state.is_on);
    draw_notch(c, &grip, gorse_alpha(colour) != 0u && colour != look->text ? colour : look->fill);
    if (state.at < 128u)
        inner.x0 = grip.x1;
    else
        inner.x1 = grip.x0;
    draw_word(c, s, look, &inner, (uint8_t)(state.at >= 128u));
}

const GORSE_ROM gorse_control_kind gorse_kind_switch = {
    {sizeof(gorse_widget_switch), GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL, draw, command, tick, wait}, states, touch};
