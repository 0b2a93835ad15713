/* SPDX-License-Identifier: MIT */
/* A needle before a scale, all of it drawn. */
#include "gorse_gauge.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_dial d;
    gorse_measure_dial((const gorse_widget_gauge *)(const void *)widget, &d);
    gorse_draw_box(c, &d.box, look);
    gorse_draw_scale(c, &d, look);
    gorse_draw_needle(c, &d);
}

const GORSE_ROM gorse_kind gorse_kind_gauge = {
    sizeof(gorse_widget_gauge), 0, draw, gorse_gauge_command, gorse_gauge_tick, gorse_gauge_wait};
