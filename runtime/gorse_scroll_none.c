/* SPDX-License-Identifier: MIT */
/* Scenes with controls in which no finger moves containers: gorse_scroll.c takes the place of this file in others. */
#include "gorse_scroll.h"

GORSE_REPLACEABLE uint8_t gorse_press_scrolling(gorse *g) {
    (void)g;
    return 0;
}

GORSE_REPLACEABLE uint8_t gorse_move_scrolling(gorse *g) {
    (void)g;
    return 0;
}

GORSE_REPLACEABLE void gorse_release_scrolling(gorse *g) { (void)g; }

GORSE_REPLACEABLE void gorse_reveal(gorse *g, uint16_t widget) {
    (void)g;
    (void)widget;
}

GORSE_REPLACEABLE void gorse_draw_bars(gorse_canvas *c, const gorse_rect *area, uint16_t number) {
    (void)c;
    (void)area;
    (void)number;
}
