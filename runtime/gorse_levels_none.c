/* SPDX-License-Identifier: MIT */
/* Scenes with transitions in which no screen is shown over another and none keeps anything: gorse_levels.c takes the
 * place of this file in others. */
#include "gorse_levels.h"

GORSE_REPLACEABLE uint8_t gorse_change_levels(gorse *g, uint16_t *before) {
    (void)g;
    (void)before;
    return GORSE_CHANGE_PLAIN;
}

GORSE_REPLACEABLE void gorse_draw_levels(gorse *g, gorse_canvas *c, const gorse_rect *area) {
    gorse_draw_screen(c, area, gorse_shown(g));
}
