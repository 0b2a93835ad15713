/* SPDX-License-Identifier: MIT */
/* A box that holds widgets. */
#include "gorse_draw.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_rect box;
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
}

const GORSE_ROM gorse_kind gorse_kind_group = {sizeof(gorse_widget_group), GORSE_KIND_HOLDS, draw, 0, 0, 0};
