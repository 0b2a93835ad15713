/* SPDX-License-Identifier: MIT */
/* Several motions, one after the other, for scenes in which more than widgets and expressions does something. */
#include "gorse_internal.h"

static void enter(gorse *g) {
    const GORSE_ROM gorse_motion *const GORSE_ROM *each = g->scene->motions;
    for (; *each != 0; each++)
        if ((*each)->enter != 0)
            (*each)->enter(g);
}

static uint32_t tick(gorse *g) {
    const GORSE_ROM gorse_motion *const GORSE_ROM *each = g->scene->motions;
    for (; *each != 0; each++)
        if ((*each)->tick != 0)
            (void)(*each)->tick(g);
    return GORSE_FOREVER;
}

static uint32_t follow(gorse *g) {
    const GORSE_ROM gorse_motion *const GORSE_ROM *each = g->scene->motions;
    uint32_t wait = GORSE_FOREVER;
    for (; *each != 0; each++) {
        const uint32_t own = (*each)->follow(g);
        wait = own < wait ? own : wait;
    }
    return wait;
}

static void command(gorse *g, uint16_t screen, uint16_t widget, uint8_t what) {
    const GORSE_ROM gorse_motion *const GORSE_ROM *each = g->scene->motions;
    for (; *each != 0; each++)
        if ((*each)->command != 0)
            (*each)->command(g, screen, widget, what);
}

const GORSE_ROM gorse_motion gorse_motion_of_several = {enter, tick, follow, command};
