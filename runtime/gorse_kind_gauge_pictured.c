/* SPDX-License-Identifier: MIT */
/* A gauge whose face or needle is an image. */
#include "gorse_gauge.h"
#include "gorse_image.h"

static GORSE_OWN_FRAME void draw_needle_image(const gorse_canvas *c, const gorse_dial *d) {
    gorse_turned_image turned;
    turned.image = d->of->needle_image;
    turned.colour = (gorse_colour)d->of->shown.limits[GORSE_GAUGE_NEEDLE_COLOUR];
    turned.x = d->pivot.x;
    turned.y = d->pivot.y;
    turned.image_x = (int32_t)d->face[GORSE_GAUGE_NEEDLE_PIVOT_X] * (GORSE_FINE / 16);
    turned.image_y = (int32_t)d->face[GORSE_GAUGE_NEEDLE_PIVOT_Y] * (GORSE_FINE / 16);
    turned.angle = gorse_needle_angle(c->run, d);
    turned.mirror = GORSE_MIRROR_NONE;
    gorse_draw_turned_image(c, &turned);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_dial d;
    gorse_measure_dial((const gorse_widget_gauge *)(const void *)widget, &d);
    gorse_draw_image_box(c, widget, look, d.of->image, GORSE_ALIGN_MIDDLE, GORSE_ALIGN_MIDDLE);
    gorse_draw_scale(c, &d, look);
    if (d.of->needle_image != 0)
        draw_needle_image(c, &d);
    else
        gorse_draw_needle(c, &d);
}

const GORSE_ROM gorse_kind gorse_kind_gauge_pictured = {
    sizeof(gorse_widget_gauge), 0, draw, gorse_gauge_command, gorse_gauge_tick, gorse_gauge_wait};
