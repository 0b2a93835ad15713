/* SPDX-License-Identifier: MIT */
/* A strip is drawn from the lowest widget up, turned into the panel's orientation and flushed. In scenes with
 * transitions gorse_motion_transition.c takes the place of this file. */
#include "gorse_strip.h"

GORSE_REPLACEABLE void gorse_paint_strip(gorse *g, const gorse_rect *area, uint32_t stride) {
    gorse_canvas c;
    gorse_begin_strip(g, area, stride, &c);
    gorse_draw_screen(&c, area, gorse_shown(g));
    gorse_send_strip(g, &c);
}

GORSE_REPLACEABLE void gorse_show_screen(gorse *g) {
    gorse_expand_screen(g);
    if (g->scene->motion != 0)
        g->scene->motion->enter(g);
    gorse_redraw(g);
}
