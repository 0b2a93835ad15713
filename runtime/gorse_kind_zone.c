/* SPDX-License-Identifier: MIT */
/* A touch target that shows nothing. */
#include "gorse_draw.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    (void)c;
    (void)widget;
    (void)look;
}

const GORSE_ROM gorse_kind gorse_kind_zone = {sizeof(gorse_widget), GORSE_KIND_TOUCHED, draw, 0, 0, 0};
