/* SPDX-License-Identifier: MIT */
/* An ellipse, or what a hole and two angles leave of it. */
#include "gorse_cover.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_disc *disc = (const gorse_widget_disc *)(const void *)widget;
    gorse_sector s;
    gorse_rect box;
    gorse_widget_box(widget, &box);
    if (gorse_is_empty(&box) != 0u)
        return;
    gorse_ellipse_in(&box, &s.outer);
    s.hole.centre = s.outer.centre;
    s.hole.radius.x = s.outer.radius.x * disc->hole / 100;
    s.hole.radius.y = s.outer.radius.y * disc->hole / 100;
    s.from = (uint16_t)(disc->from_angle % 360u * GORSE_DEGREE);
    s.to = (uint16_t)(disc->to_angle % 360u * GORSE_DEGREE);
    s.border = look->border_width;
    s.ends = GORSE_ENDS_FLAT;
    gorse_draw_outline(c, &box, gorse_add_sector, gorse_add_sector_border, &s, look);
}

const GORSE_ROM gorse_kind gorse_kind_disc = {sizeof(gorse_widget_disc), 0, draw, 0, 0, 0};
