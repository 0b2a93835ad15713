/* SPDX-License-Identifier: MIT */
/* A momentary button: a box with a text, an image or both. What it looks like pressed is its look's matter. */
#include "gorse_draw.h"

typedef struct content {
    int16_t text_w, text_h;
    int16_t image_w, image_h;
    int16_t gap;
} content;

static content measure(const gorse_button *button, gorse_text_source text, const gorse_text_box *where,
                       const gorse_look *look) {
    content size = {0, 0, 0, 0, 0};
    if (button->image != 0) {
        gorse_image image;
        gorse_copy_rom(&image, button->image, sizeof image);
        size.image_w = (int16_t)image.width;
        size.image_h = (int16_t)image.height;
    }
    gorse_text_size(text, look->font, where->wrap, (int16_t)(where->box.x1 - where->box.x0), &size.text_w,
                    &size.text_h);
    if (size.text_w != 0 && size.image_w != 0)
        size.gap = button->gap;
    return size;
}

/* Divides the box between image and text; answers the image's top left through x and y. */
static void divide(const gorse_button *button, content size, gorse_text_box *where, int16_t *x, int16_t *y) {
    gorse_rect *box = &where->box;
    uint8_t side = button->image_side;
    uint8_t upright = (uint8_t)(side == GORSE_SIDE_ABOVE || side == GORSE_SIDE_BELOW);
    int16_t room = (int16_t)(upright ? box->y1 - box->y0 : box->x1 - box->x0);
    int16_t text = upright ? size.text_h : size.text_w;
    int16_t image = upright ? size.image_h : size.image_w;
    int16_t first = (int16_t)((room - text - image - size.gap) / 2);
    uint8_t image_first = (uint8_t)(side == GORSE_SIDE_LEFT || side == GORSE_SIDE_ABOVE);
    int16_t image_at = (int16_t)(image_first ? first : first + text + size.gap);
    int16_t text_at = (int16_t)(image_first ? first + image + size.gap : first);
    if (upright) {
        *x = (int16_t)(box->x0 + (box->x1 - box->x0 - size.image_w) / 2);
        *y = (int16_t)(box->y0 + image_at);
        box->y0 = (int16_t)(box->y0 + text_at);
        box->y1 = (int16_t)(box->y0 + text);
        where->place = GORSE_START;
    } else {
        *x = (int16_t)(box->x0 + image_at);
        *y = (int16_t)(box->y0 + (box->y1 - box->y0 - size.image_h) / 2);
        box->x0 = (int16_t)(box->x0 + text_at);
        box->x1 = (int16_t)(box->x0 + text);
        where->align = GORSE_START;
    }
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_button *button = (const gorse_button *)(const void *)widget;
    gorse_text_source text = gorse_label_text(c->run, &button->label);
    gorse_text_box where = gorse_label_box(&button->label, look);
    gorse_draw_box(c, gorse_widget_box(widget), look);
    if (button->image != 0) {
        int16_t x, y;
        divide(button, measure(button, text, &where, look), &where, &x, &y);
        gorse_draw_image(c, button->image, x, y, look->text);
    }
    gorse_draw_text(c, text, &where, look->font, look->text);
}

const GORSE_ROM gorse_kind gorse_kind_button = {sizeof(gorse_button), GORSE_KIND_HAS_TEXT | GORSE_KIND_TOUCHED,
                                                draw, 0, 0};
