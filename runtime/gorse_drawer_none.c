/* SPDX-License-Identifier: MIT */
/* Scenes with containers and controls, but without drawers: gorse_kind_drawer.c takes the place of this file in others.
 */
#include "gorse_drawer.h"

GORSE_REPLACEABLE uint16_t gorse_first_open(const gorse *g) {
    (void)g;
    return 0;
}

GORSE_REPLACEABLE void gorse_touch_shade(gorse *g, gorse_coord x, gorse_coord y) {
    (void)g;
    (void)x;
    (void)y;
}

GORSE_REPLACEABLE uint8_t gorse_close_drawer(gorse *g) {
    (void)g;
    return 0;
}

GORSE_REPLACEABLE uint16_t gorse_drawer_at(const gorse *g, uint8_t way) {
    (void)g;
    (void)way;
    return GORSE_NONE;
}

GORSE_REPLACEABLE int16_t gorse_drawer_out(const gorse *g, uint16_t number) {
    (void)g;
    (void)number;
    return 0;
}

GORSE_REPLACEABLE void gorse_pull_drawer(gorse *g) { (void)g; }

GORSE_REPLACEABLE void gorse_draw_shade(gorse_canvas *c, const gorse_rect *area, uint16_t number) {
    (void)c;
    (void)area;
    (void)number;
}
