/* SPDX-License-Identifier: MIT */
/* Properties that follow expressions, for scenes that have some: computed when the interface begins, then when
 * something in them changes. */
#include "gorse_internal.h"

static uint8_t is_marked(const gorse *g, uint16_t bit) {
    return (uint8_t)(bit != GORSE_NONE && (gorse_changed_bits(g)[bit >> 3] & (1u << (bit & 7u))) != 0u);
}

static void set(gorse *g, const GORSE_ROM gorse_follow *each, int32_t value) {
    int32_t *slot = &gorse_slots(g)[each->slot];
    gorse_trace(g, GORSE_TRACE_FOLLOWED, each->slot, value);
    if (*slot == value)
        return;
    if (each->screen != GORSE_NONE)
        gorse_set_slot(g, each->slot, each->screen, value);
    else
        *slot = value;
    gorse_mark_slot(g, each->slot);
}

/* Computes all, or those that something marked. What others follow comes before them. */
static void compute(gorse *g, uint8_t all) {
    const GORSE_ROM gorse_follow *each = g->scene->follows;
    uint16_t i, done = GORSE_NONE;
    for (i = g->scene->follow_count; i != 0u; i--, each++) {
        if (each->slot == done || (all == 0u && is_marked(g, each->changed) == 0u))
            continue;
        done = each->slot;
        set(g, each, gorse_execute(g, g->scene->code + each->code, GORSE_NONE));
    }
}

void gorse_follow_all(gorse *g) { compute(g, 1); }

static void enter(gorse *g) {
    compute(g, (uint8_t)(gorse_head_of(g)->started == 0u));
    gorse_widgets_enter(g);
}

static uint32_t follow(gorse *g) {
    uint8_t *anything_changed = &gorse_head_of(g)->anything_changed;
    const uint8_t before = *anything_changed;
    compute(g, 0);
    if (g->scene->rules_read == 0u)
        *anything_changed = before;
    return gorse_widgets_tick(g);
}

const GORSE_ROM gorse_motion gorse_motion_that_follows = {enter, gorse_widgets_tick, follow, gorse_widgets_command};
