/* SPDX-License-Identifier: MIT */
/* The focus goes with the screens, and on from what is hidden or disabled. */
#include "gorse_focus.h"

static uint32_t tick(gorse *g) {
    gorse_keep_focus(g);
    return GORSE_FOREVER;
}

const GORSE_ROM gorse_motion gorse_motion_of_focus = {gorse_enter_focus, tick, tick, 0};
