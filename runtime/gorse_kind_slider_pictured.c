/* SPDX-License-Identifier: MIT */
/* A slider whose grip is an image. */
#include "gorse_slider.h"

static void draw_image_grip(const gorse_canvas *c, const gorse_widget_slider *slider, const gorse_look *look,
                            const gorse_rect *box) {
    const GORSE_ROM gorse_image *image = slider->grip_image;
    if (image != 0)
        gorse_draw_image(c, image, gorse_placed(box->x0, box->x1, (gorse_coord)image->width, GORSE_ALIGN_MIDDLE),
                         gorse_placed(box->y0, box->y1, (gorse_coord)image->height, GORSE_ALIGN_MIDDLE), look->text);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_draw_slider(c, widget, look, draw_image_grip);
}

const GORSE_ROM gorse_control_kind gorse_kind_slider_pictured = {
    {sizeof(gorse_widget_slider), GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL | GORSE_KIND_ENTERED, draw,
     gorse_enter_control, gorse_slider_tick, gorse_wait_for_value},
    gorse_no_states,
    gorse_touch_slider};
