/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_picture *picture = (const gorse_picture *)(const void *)widget;
    gorse_rect box = gorse_widget_box(widget);
    gorse_image image;
    gorse_draw_box(c, box, look);
    if (picture->image == 0)
        return;
    gorse_copy_rom(&image, picture->image, sizeof image);
    box = gorse_inset(box, (int16_t)(look->border_width + look->padding));
    gorse_draw_image(c, picture->image, gorse_placed(box.x0, box.x1, image.width, picture->align),
                     gorse_placed(box.y0, box.y1, image.height, picture->place), look->text);
}

const GORSE_ROM gorse_kind gorse_kind_image = {sizeof(gorse_picture), 0, draw, 0, 0};
