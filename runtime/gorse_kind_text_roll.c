/* SPDX-License-Identifier: MIT */
/* A text that rolls where it is too long for its box: round, or back and forth. Where it is depends on the time since
 * it began only. */
#include "gorse_internal.h"
#include "gorse_text.h"

static const gorse_widget_rolling *rolling_of(const gorse_widget *widget) {
    return (const gorse_widget_rolling *)(const void *)widget;
}

/* The screen's memory has no alignment. */
static void get_state(const gorse *g, const gorse_widget *widget, gorse_roll_state *state) {
    memcpy(state, gorse_widget_state(g, widget), sizeof *state);
}

static void put_state(const gorse *g, const gorse_widget *widget, const gorse_roll_state *state) {
    memcpy(gorse_widget_state(g, widget), state, sizeof *state);
}

static uint16_t sum_of(gorse_text_source text) {
    uint16_t sum = 1, at;
    uint8_t byte;
    for (at = 0; (byte = gorse_text_byte(text, at)) != 0u; at++)
        sum = (uint16_t)((uint16_t)(sum << 5) + (sum >> 11) + sum + byte);
    return sum;
}

/* The width of the widest line, and 0 without a font. */
static GORSE_OWN_FRAME uint16_t width_of(gorse_text_source text, const GORSE_ROM gorse_font *font) {
    gorse_coord widest = 0;
    gorse_line line;
    uint8_t more;
    line.next = 0;
    if (font == 0)
        return 0;
    do {
        more = gorse_next_line(font, text, line.next, 0, 0, &line);
        if (line.width > widest)
            widest = line.width;
    } while (more != 0u);
    return (uint16_t)widest;
}

static gorse_coord room_of(const gorse_widget *widget, const gorse_look *look) {
    return (gorse_coord)(widget->w - 2 * (look->border_width + look->padding));
}

/* gorse_roll_state.way */
static uint16_t way_of(const gorse_widget_rolling *r, const gorse_look *look, uint16_t width) {
    const gorse_coord room = room_of(&r->label.widget, look);
    if ((gorse_coord)width <= room)
        return 0;
    if (r->turns_back != 0u)
        return (uint16_t)(width - (uint16_t)(room < 0 ? 0 : room));
    return (uint16_t)(width + r->gap);
}

static uint32_t time_of(uint32_t pixels, uint8_t speed) { return (pixels * 1000u + speed - 1u) / speed; }

/* Where it is, so many ms after it began: pixels to the left. Sets the ms until it is elsewhere. */
static GORSE_OWN_FRAME uint16_t shift_at(const gorse_widget_rolling *r, uint32_t way, uint32_t ms, uint32_t *wait) {
    const uint32_t lasts = time_of(way, r->speed);
    uint32_t moved;
    uint8_t back = 0;
    if (r->turns_back != 0u && ms >= r->pause + lasts) {
        ms -= r->pause + lasts;
        back = 1;
    }
    if (ms < r->pause) {
        *wait = r->pause - ms;
        return (uint16_t)(back != 0u ? way : 0u);
    }
    ms -= r->pause;
    moved = ms * r->speed / 1000u;
    *wait = time_of(moved + 1u, r->speed) - ms;
    if (moved > way)
        moved = way;
    return (uint16_t)(back != 0u ? way - moved : moved);
}

static uint32_t round_time(const gorse_widget_rolling *r, uint32_t way) {
    const uint32_t once = r->pause + time_of(way, r->speed);
    return r->turns_back != 0u ? 2u * once : once;
}

/* Moves to where the text is now; begins anew with another text. */
static GORSE_OWN_FRAME void move(gorse *g, const gorse_widget *widget, const gorse_look *look,
                                 gorse_roll_state *state) {
    const gorse_widget_rolling *r = rolling_of(widget);
    const uint32_t now = gorse_head_of(g)->now;
    uint16_t shift = 0;
    uint32_t until;
    state->way = way_of(r, look, state->width);
    if (state->way != 0u) {
        state->since = now - (now - state->since) % round_time(r, state->way);
        shift = shift_at(r, state->way, now - state->since, &until);
    }
    if (state->shift == shift)
        return;
    state->shift = shift;
    gorse_dirty_widget(g, widget);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_text_source text = gorse_shown_text(g, &rolling_of(widget)->label);
    const uint16_t sum = sum_of(text);
    gorse_roll_state state;
    get_state(g, widget, &state);
    if (state.sum != sum) {
        if (state.shift != 0u)
            gorse_dirty_widget(g, widget);
        state.sum = sum;
        state.shift = 0;
        state.since = gorse_head_of(g)->now;
        state.width = width_of(text, look->font);
    }
    move(g, widget, look, &state);
    put_state(g, widget, &state);
    return 0;
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    gorse_roll_state state;
    if (what != GORSE_COMMAND_ENTER)
        return;
    memset(&state, 0, sizeof state);
    put_state(g, widget, &state);
    (void)tick(g, widget, look);
}

/* 1 if a variable has changed, so that the text may be another one after this step. */
static uint8_t anything_changed(const gorse *g) {
    const uint8_t *bits = gorse_changed_bits(g);
    for (; bits != gorse_when_bytes(g); bits++)
        if (*bits != 0u)
            return 1;
    return 0;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    gorse_roll_state state;
    uint32_t until = GORSE_FOREVER;
    if (widget->capacity != 0u && anything_changed(g) != 0u)
        return 0;
    get_state(g, widget, &state);
    if (state.way != 0u)
        (void)shift_at(rolling_of(widget), state.way, gorse_head_of(g)->now - state.since, &until);
    return until;
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_rolling *r = rolling_of(widget);
    const gorse_text_source text = gorse_shown_text(c->run, &r->label);
    gorse_canvas inside = *c;
    gorse_text_box where;
    gorse_roll_state state;
    uint16_t width;
    gorse_widget_box(widget, &where.box);
    gorse_draw_box(c, &where.box, look);
    gorse_text_widget_box(&r->label, look, &where);
    if (gorse_is_empty(&where.box) != 0u || gorse_clip(&inside.clip, &where.box) == 0u)
        return;
    get_state(c->run, widget, &state);
    if (state.sum != sum_of(text))
        state.shift = 0; /* another one, which begins with the next step */
    width = width_of(text, look->font);
    if (way_of(r, look, width) == 0u) {
        gorse_draw_text(&inside, text, &where, look->font, look->text);
        return;
    }
    where.align = GORSE_ALIGN_START;
    where.box.x0 = (gorse_coord)(where.box.x0 - (gorse_coord)state.shift);
    gorse_draw_text(&inside, text, &where, look->font, look->text);
    if (r->turns_back != 0u)
        return;
    where.box.x0 = (gorse_coord)(where.box.x0 + (gorse_coord)width + r->gap);
    gorse_draw_text(&inside, text, &where, look->font, look->text);
}

const GORSE_ROM gorse_kind gorse_kind_text_roll = {
    sizeof(gorse_widget_rolling), GORSE_KIND_HAS_TEXT, draw, command, tick, wait};
