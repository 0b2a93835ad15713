/* SPDX-License-Identifier: MIT */
/* The knob and the keys in scenes where the focus reaches nothing: gorse_focus.c takes the place of this file in
 * others. */
#include "gorse_keys.h"

GORSE_REPLACEABLE void gorse_knob(gorse *g, int8_t steps) {
    if (g->scene != 0 && steps != 0)
        gorse_run_key_rules(g, GORSE_EVENT_KNOB, (uint16_t)(steps > 0));
}

GORSE_REPLACEABLE void gorse_key(gorse *g, uint8_t key, uint8_t down) {
    if (g->scene != 0 && down != 0u)
        gorse_run_key_rules(g, GORSE_EVENT_KEY, key);
}
