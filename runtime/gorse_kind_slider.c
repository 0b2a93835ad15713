/* SPDX-License-Identifier: MIT */
/* A slider whose grip is an upright bar with a notch. */
#include "gorse_slider.h"

static void draw_bar_grip(const gorse_canvas *c, const gorse_widget_slider *slider, const gorse_look *look,
                          const gorse_rect *box) {
    const uint_fast8_t upright = (uint_fast8_t)(slider->direction & 1u);
    gorse_look part = *look;
    gorse_rect notch = *box;
    part.fill = (gorse_colour)slider->shown.limits[GORSE_SLIDER_GRIP_COLOUR];
    part.border_width = 0;
    part.radius = 2;
    gorse_draw_box(c, box, &part);
    if (upright != 0u) {
        const gorse_coord w = (gorse_coord)(box->x1 - box->x0);
        notch.y0 = (gorse_coord)((box->y0 + box->y1) / 2);
        notch.y1 = gorse_min(box->y1, (gorse_coord)(notch.y0 + 1));
        notch.x0 = (gorse_coord)(box->x0 + w / 5);
        notch.x1 = (gorse_coord)(box->x1 - w / 5);
    } else {
        const gorse_coord h = (gorse_coord)(box->y1 - box->y0);
        notch.x0 = (gorse_coord)((box->x0 + box->x1) / 2);
        notch.x1 = gorse_min(box->x1, (gorse_coord)(notch.x0 + 1));
        notch.y0 = (gorse_coord)(box->y0 + h / 5);
        notch.y1 = (gorse_coord)(box->y1 - h / 5);
    }
    gorse_fill_rect(c, &notch, look->fill);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_draw_slider(c, widget, look, draw_bar_grip);
}

const GORSE_ROM gorse_control_kind gorse_kind_slider = {
    {sizeof(gorse_widget_slider), GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL | GORSE_KIND_ENTERED, draw,
     gorse_enter_control, gorse_slider_tick, gorse_wait_for_value},
    gorse_no_states,
    gorse_touch_slider};
