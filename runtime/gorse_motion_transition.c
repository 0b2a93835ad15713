/* SPDX-License-Identifier: MIT */
/* How one screen follows another: both are drawn into each strip, moved or mixed. What the former has in the state is
 * kept for that long. gorse_strip.c takes the place of this file in scenes without transitions. */
#include "gorse_container.h"
#include "gorse_copies.h"
#include "gorse_ease.h"
#include "gorse_focus.h"
#include "gorse_levels.h"
#include "gorse_strip.h"
#include "gorse_transition.h"

enum { FRAME = 16 /* ms */ };

/* A canvas's strip as a place where a screen lies. */
typedef struct moved {
    gorse_coord x, y; /* pixels to the right and down */
} moved;

uint8_t gorse_in_transition(const gorse *g) {
    return (uint8_t)(g->scene->transitions != 0 && gorse_transition_state_of(g)->runs != 0u);
}

static uint8_t *former_memory(const gorse *g) { return (uint8_t *)(gorse_transition_state_of(g) + 1); }

void gorse_exchange_memory(const gorse *g, uint8_t *other) {
    uint8_t *memory = (uint8_t *)gorse_screen_memory(g);
    uint16_t i;
    for (i = g->scene->transitions->bytes; i != 0u; i--, memory++, other++) {
        const uint8_t kept = *memory;
        *memory = *other;
        *other = kept;
    }
}

/* Draws the shown screen where it is moved to. */
static GORSE_OWN_FRAME void draw_moved(gorse_canvas *c, const gorse_rect *area, const moved *by) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(c->run);
    gorse_rect part = *area, whole;
    whole.x0 = whole.y0 = 0;
    whole.x1 = (gorse_coord)c->run->scene->panel->width;
    whole.y1 = (gorse_coord)c->run->scene->panel->height;
    part.x0 = (gorse_coord)(part.x0 - by->x);
    part.x1 = (gorse_coord)(part.x1 - by->x);
    part.y0 = (gorse_coord)(part.y0 - by->y);
    part.y1 = (gorse_coord)(part.y1 - by->y);
    if (gorse_clip(&part, &whole) == 0u)
        return;
    c->strip.x = (uint16_t)(c->strip.x - (uint16_t)by->x);
    c->strip.y = (uint16_t)(c->strip.y - (uint16_t)by->y);
    c->clip = part;
    /* One that is meant to lie over others has none below it now. */
    if (gorse_alpha(screen->background) != 255u)
        gorse_fill_rect(c, &part, screen->background | 0xff000000u);
    gorse_draw_screen(c, &part, screen);
    c->strip.x = (uint16_t)(c->strip.x + (uint16_t)by->x);
    c->strip.y = (uint16_t)(c->strip.y + (uint16_t)by->y);
}

/* The same of the screen before it, as it was left. */
static GORSE_OWN_FRAME void draw_former(gorse *g, gorse_canvas *c, const gorse_rect *area, const moved *by) {
    gorse_head *head = gorse_head_of(g);
    const gorse_transition_state *state = gorse_transition_state_of(g);
    const uint8_t has_focus = g->scene->controls != 0 ? g->scene->controls->has_focus : (uint8_t)0;
    uint16_t focused = GORSE_NONE;
    head->screen = state->from;
    if (has_focus != 0u) {
        focused = gorse_focus_of(g)->widget;
        gorse_focus_of(g)->widget = gorse_remembered_focus(g)[state->from];
    }
    gorse_exchange_memory(g, former_memory(g));
    draw_moved(c, area, by);
    gorse_exchange_memory(g, former_memory(g));
    if (has_focus != 0u)
        gorse_focus_of(g)->widget = focused;
    head->screen = state->shown;
}

/* Where a screen is at a part of its way off the panel, of GORSE_EASED, or one that follows it. */
static moved off(const gorse *g, uint8_t way, int32_t part, uint8_t follows) {
    const GORSE_ROM gorse_panel *panel = g->scene->panel;
    const uint8_t across = (uint8_t)(way == GORSE_WAY_LEFT || way == GORSE_WAY_RIGHT);
    const int32_t size = across != 0u ? panel->width : panel->height;
    int32_t at = size * part / GORSE_EASED;
    moved by;
    if (follows != 0u)
        at -= size;
    if (way == GORSE_WAY_LEFT || way == GORSE_WAY_UP)
        at = -at;
    by.x = (gorse_coord)(across != 0u ? at : 0);
    by.y = (gorse_coord)(across != 0u ? 0 : at);
    return by;
}

static void draw_screen(gorse *g, gorse_canvas *c, const gorse_rect *area, uint8_t former, const moved *by) {
    if (former != 0u)
        draw_former(g, c, area, by);
    else
        draw_moved(c, area, by);
}

/* A screen over the one before it, a few rows at a time, of which a copy fits. */
static void draw_fading(gorse *g, gorse_canvas *c, const gorse_rect *area, uint8_t back, uint8_t opacity) {
    const GORSE_ROM gorse_containers *containers = g->scene->containers;
    uint8_t *copy = gorse_copy_at(g, (uint_fast8_t)(1u + (containers != 0 ? containers->fades : 0u)));
    gorse_rect part = *area;
    moved here;
    here.x = here.y = 0;
    for (; part.y0 < area->y1; part.y0 = part.y1) {
        part.y1 = gorse_rows_end(c, part.y0, area->y1);
        draw_screen(g, c, &part, (uint8_t)(back == 0u), &here);
        gorse_copy_rows(c, part.y0, part.y1, copy);
        draw_screen(g, c, &part, back, &here);
        c->clip = part;
        g->scene->transitions->mix_back(c, copy, part.y0, opacity);
    }
}

/* Both screens, as far as the transition has got. Backwards, the shown one is the one that it began with. */
static void draw_both(gorse *g, gorse_canvas *c, const gorse_rect *area) {
    const gorse_transition_state *state = gorse_transition_state_of(g);
    const GORSE_ROM gorse_transition *t = &g->scene->transitions->each[state->runs - 1u];
    int32_t part = gorse_eased(gorse_head_of(g)->now - state->since, t->ms, t->ease);
    moved first, second;
    if (state->back != 0u)
        part = GORSE_EASED - part;
    if (t->how == GORSE_TRANSITION_FADE) {
        draw_fading(g, c, area, state->back, (uint8_t)(part * 255 / GORSE_EASED));
        return;
    }
    first = off(g, t->way, t->how == GORSE_TRANSITION_COVER ? 0 : part, 0);
    second = off(g, t->way, t->how == GORSE_TRANSITION_UNCOVER ? GORSE_EASED : part, 1);
    if (t->how == GORSE_TRANSITION_UNCOVER)
        draw_screen(g, c, area, state->back, &second);
    draw_screen(g, c, area, (uint8_t)(state->back == 0u), &first);
    if (t->how != GORSE_TRANSITION_UNCOVER)
        draw_screen(g, c, area, state->back, &second);
}

void gorse_paint_strip(gorse *g, const gorse_rect *area, uint32_t stride) {
    gorse_canvas c;
    gorse_begin_strip(g, area, stride, &c);
    if (gorse_in_transition(g) != 0u)
        draw_both(g, &c, area);
    else
        gorse_draw_levels(g, &c, area);
    gorse_send_strip(g, &c);
}

/* Which one leads to the screen that is shown now. How each screen of the history was left is known for the latest. */
static uint8_t chosen(gorse_transition_state *state, uint8_t back) {
    const uint8_t asked = state->asked, first = 1;
    uint8_t *left = state->left;
    uint8_t number;
    state->asked = 0;
    if (back == 0u) {
        number = asked != 0u ? asked : first;
        memmove(left + 1, left, GORSE_TRANSITIONS_KEPT - 1);
        *left = number;
        return number;
    }
    number = *left != 0u ? *left : first;
    memmove(left, left + 1, GORSE_TRANSITIONS_KEPT - 1);
    left[GORSE_TRANSITIONS_KEPT - 1] = 0;
    return asked != 0u ? asked : number;
}

static void begin(gorse *g) {
    gorse_transition_state *state = gorse_transition_state_of(g);
    const gorse_head *head = gorse_head_of(g);
    const uint8_t change = gorse_change_levels(g, &state->shown);
    if (change != GORSE_CHANGE_PLAIN) {
        state->runs = 0;
        state->asked = 0;
    } else if (head->started != 0u && state->shown != head->screen) {
        const uint8_t back = (uint8_t)(head->back_count < state->depth), asked = state->asked;
        const uint8_t number = chosen(state, back);
        state->back = (uint8_t)(back != 0u && asked == 0u);
        state->runs = g->scene->transitions->each[number - 1u].ms != 0u ? number : (uint8_t)0;
        state->from = state->shown;
        state->since = head->now;
        memcpy(former_memory(g), gorse_screen_memory(g), g->scene->transitions->bytes);
    }
    state->shown = head->screen;
    state->depth = head->back_count;
}

void gorse_show_screen(gorse *g) {
    if (g->scene->transitions != 0)
        begin(g);
    gorse_expand_screen(g);
    if (g->scene->motion != 0)
        g->scene->motion->enter(g);
    gorse_redraw(g);
}

static uint32_t tick(gorse *g) {
    gorse_transition_state *state = gorse_transition_state_of(g);
    if (state->runs == 0u)
        return GORSE_FOREVER;
    gorse_redraw(g);
    if (gorse_head_of(g)->now - state->since < g->scene->transitions->each[state->runs - 1u].ms)
        return FRAME;
    state->runs = 0;
    return GORSE_FOREVER;
}

/* What a rule asks for its next change of screens. */
static void command(gorse *g, uint16_t screen, uint16_t widget, uint8_t what) {
    if (screen == GORSE_NONE && what == GORSE_COMMAND_TRANSITION)
        gorse_transition_state_of(g)->asked = (uint8_t)(widget + 1u);
}

const GORSE_ROM gorse_motion gorse_motion_of_transitions = {0, tick, tick, command};
