/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_label *label = (const gorse_label *)(const void *)widget;
    gorse_text_box where = gorse_label_box(label, look);
    gorse_draw_box(c, gorse_widget_box(widget), look);
    gorse_draw_text(c, gorse_label_text(c->run, label), &where, look->font, look->text);
}

const GORSE_ROM gorse_kind gorse_kind_text = {sizeof(gorse_label), GORSE_KIND_HAS_TEXT | GORSE_KIND_FINE_TEXT, draw, 0, 0};
