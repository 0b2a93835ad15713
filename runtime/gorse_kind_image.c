/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_image *picture = (const gorse_widget_image *)(const void *)widget;
    gorse_draw_image_box(c, widget, look, picture->image, picture->align, picture->place);
}

const GORSE_ROM gorse_kind gorse_kind_image = {sizeof(gorse_widget_image), 0, draw, 0, 0, 0};
