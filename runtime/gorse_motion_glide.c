/* SPDX-License-Identifier: MIT */
/* Properties go to other values in time. Each has the value that its time says, however often it is looked at. */
#include "gorse_ease.h"
#include "gorse_glide.h"

enum { FRAME = 16 /* ms */ };

/* More than any property but a colour has. */
enum { MOST = 60000 };

static int32_t compute(gorse *g, const GORSE_ROM gorse_glide *glide, uint16_t code) {
    const int32_t value = gorse_execute(g, g->scene->code + code, GORSE_NONE);
    if ((glide->flags & GORSE_GLIDE_COLOUR) != 0u)
        return value;
    return value > MOST ? MOST : value < -MOST ? -MOST : value;
}

/* The value at `part` of GORSE_EASED of the way. */
static int32_t between(int32_t from, int32_t to, int32_t part) {
    const int32_t way = to - from;
    return from + (way * part + (way < 0 ? -GORSE_EASED / 2 : GORSE_EASED / 2)) / GORSE_EASED;
}

static int32_t colour_between(uint32_t from, uint32_t to, int32_t part) {
    uint32_t out = 0;
    uint8_t shift;
    for (shift = 0; shift < 32u; shift = (uint8_t)(shift + 8u))
        out |= (uint32_t)between((int32_t)(from >> shift & 255u), (int32_t)(to >> shift & 255u), part) << shift;
    return gorse_wrapped(out);
}

static void set(gorse *g, const GORSE_ROM gorse_glide *glide, int32_t value) {
    if (gorse_slots(g)[glide->slot] == value)
        return;
    gorse_set_slot(g, glide->slot, glide->screen, value);
    if (g->scene->follow_count != 0u)
        gorse_mark_slot(g, glide->slot);
}

/* Begins one at a time, in the place of another one of the same property. */
static void start(gorse *g, uint16_t number, uint32_t now) {
    const GORSE_ROM gorse_glides *glides = g->scene->glides;
    const GORSE_ROM gorse_glide *glide = &glides->each[number];
    gorse_glide_state *state = gorse_glide_states(g), *found = 0;
    uint16_t i;
    for (i = 0; i < glides->at_a_time; i++, state++) {
        if (state->runs != 0u && glides->each[state->runs - 1u].slot == glide->slot) {
            found = state;
            break;
        }
        if (state->runs == 0u && found == 0)
            found = state;
    }
    GORSE_ASSERT(found != 0);
    found->from = glide->from_code != GORSE_NONE ? compute(g, glide, glide->from_code) : gorse_slots(g)[glide->slot];
    found->to = compute(g, glide, glide->to_code);
    found->since = now;
    found->rounds = glide->rounds;
    found->runs = (uint16_t)(number + 1u);
    if (glide->from_code != GORSE_NONE)
        set(g, glide, found->from);
}

static void stop(gorse *g, uint16_t slot) {
    gorse_glide_state *state = gorse_glide_states(g);
    uint16_t i;
    for (i = 0; i < g->scene->glides->at_a_time; i++, state++)
        if (state->runs != 0u && g->scene->glides->each[state->runs - 1u].slot == slot)
            state->runs = 0;
}

/* One that has come to its end. What follows begins then, not when it is looked at. */
static void end(gorse *g, gorse_glide_state *state, const GORSE_ROM gorse_glide *glide, uint32_t round) {
    gorse_head *head = gorse_head_of(g);
    const uint32_t now = head->now, ended = state->since + round * state->rounds;
    state->runs = 0;
    set(g, glide, (glide->flags & GORSE_GLIDE_BACK) != 0u ? state->from : state->to);
    if (glide->then_code == GORSE_NONE)
        return;
    head->now = ended;
    (void)gorse_execute(g, g->scene->code + glide->then_code, glide->rule);
    head->now = now;
}

/* Where one is now. Returns 0 if it has ended. */
static uint8_t go_on(gorse *g, gorse_glide_state *state, const GORSE_ROM gorse_glide *glide) {
    const uint8_t back = (uint8_t)(glide->flags & GORSE_GLIDE_BACK);
    const uint32_t round = back != 0u ? 2u * glide->ms : glide->ms;
    const uint32_t passed = gorse_head_of(g)->now - state->since, rounds = passed / round;
    uint32_t in_round = passed - rounds * round;
    int32_t part;
    if (state->rounds != 0u && rounds >= state->rounds) {
        end(g, state, glide, round);
        return 0;
    }
    if (state->rounds == 0u)
        state->since += rounds * round;
    if (in_round > glide->ms)
        in_round = round - in_round;
    part = (int32_t)gorse_eased(in_round, glide->ms, glide->ease);
    set(g, glide,
        (glide->flags & GORSE_GLIDE_COLOUR) != 0u ? colour_between((uint32_t)state->from, (uint32_t)state->to, part)
                                                  : between(state->from, state->to, part));
    return 1;
}

static uint32_t tick(gorse *g) {
    const GORSE_ROM gorse_glides *glides = g->scene->glides;
    uint32_t wait = GORSE_FOREVER;
    /* One that follows another may have come to its end, too; each look at all of them ends at least one. */
    uint8_t again, looks = GORSE_ROUNDS;
    do {
        gorse_glide_state *state = gorse_glide_states(g);
        uint16_t i;
        again = 0;
        wait = GORSE_FOREVER;
        for (i = 0; i < glides->at_a_time; i++, state++) {
            if (state->runs == 0u)
                continue;
            wait = FRAME;
            if (go_on(g, state, &glides->each[state->runs - 1u]) == 0u)
                again = 1;
        }
    } while (again != 0u && --looks != 0u);
    return wait;
}

static void command(gorse *g, uint16_t screen, uint16_t widget, uint8_t what) {
    if (screen != GORSE_NONE)
        return;
    if (what == GORSE_COMMAND_ANIMATE)
        start(g, widget, gorse_head_of(g)->now);
    if (what == GORSE_COMMAND_STAY)
        stop(g, widget);
}

const GORSE_ROM gorse_motion gorse_motion_of_glides = {0, tick, tick, command};
