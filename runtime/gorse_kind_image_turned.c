/* SPDX-License-Identifier: MIT */
/* An image that is turned round a point of its box. */
#include "gorse_cover.h"
#include "gorse_image.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_image *picture = (const gorse_widget_image *)(const void *)widget;
    const gorse_coord inset = (gorse_coord)(look->border_width + look->padding);
    gorse_turned_image turned;
    gorse_rect box, inside;
    int16_t degrees = (int16_t)(picture->turn % 360);
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
    if (picture->image == 0)
        return;
    inside = box;
    gorse_shrink(&inside, inset);
    turned.image = picture->image;
    turned.colour = look->text;
    turned.x = gorse_pivot_at(box.x0, box.x1, picture->pivot_x) * GORSE_FINE;
    turned.y = gorse_pivot_at(box.y0, box.y1, picture->pivot_y) * GORSE_FINE;
    turned.image_x =
        turned.x - gorse_placed(inside.x0, inside.x1, (gorse_coord)picture->image->width, picture->align) * GORSE_FINE;
    turned.image_y =
        turned.y - gorse_placed(inside.y0, inside.y1, (gorse_coord)picture->image->height, picture->place) * GORSE_FINE;
    turned.angle = (uint16_t)((uint16_t)(degrees < 0 ? degrees + 360 : degrees) * GORSE_DEGREE);
    turned.mirror = picture->mirror;
    gorse_draw_turned_image(c, &turned);
}

const GORSE_ROM gorse_kind gorse_kind_image_turned = {sizeof(gorse_widget_image), 0, draw, 0, 0, 0};
