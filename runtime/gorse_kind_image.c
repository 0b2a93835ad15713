/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

static int16_t placed(int16_t from, int16_t to, uint16_t size, uint8_t how) {
    if (how == GORSE_START)
        return from;
    if (how == GORSE_END)
        return (int16_t)(to - (int16_t)size);
    return (int16_t)(from + (to - from - (int16_t)size) / 2);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_picture *picture = (const gorse_picture *)(const void *)widget;
    gorse_rect box = gorse_widget_box(widget);
    gorse_image image;
    gorse_draw_box(c, box, look);
    if (picture->image == 0)
        return;
    gorse_copy_rom(&image, picture->image, sizeof image);
    box = gorse_inset(box, (int16_t)(look->border_width + look->padding));
    gorse_draw_image(c, picture->image, placed(box.x0, box.x1, image.width, picture->align),
                     placed(box.y0, box.y1, image.height, picture->place), look->text);
}

const GORSE_ROM gorse_kind gorse_kind_image = {sizeof(gorse_picture), 0, draw};
