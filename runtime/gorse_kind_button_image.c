/* SPDX-License-Identifier: MIT */
/* A momentary button with an image, and perhaps a text beside it. */
#include "gorse_text.h"

/* Width and height in pixels that the text takes; 0 without a font. */
static void text_size(gorse_text_source text, const GORSE_ROM gorse_font *font, uint8_t wrap, gorse_coord room,
                      gorse_coord *width, gorse_coord *height) {
    gorse_line line;
    uint8_t more = (uint8_t)(font != 0 && gorse_text_byte(text, 0) != 0u);
    *width = 0;
    *height = 0;
    line.next = 0;
    while (more != 0u && *height < 16000) {
        more = gorse_next_line(font, text, line.next, wrap, room, &line);
        *width = gorse_max(*width, line.width);
        *height = (gorse_coord)(*height + font->line_height);
    }
}

/* Along the axis on which image and text follow each other: where the image begins, and the text's part of the box. */
static gorse_coord arrange(gorse_coord *from, gorse_coord *to, gorse_coord image, gorse_coord text, uint8_t gap,
                           uint8_t image_first) {
    gorse_coord between = (gorse_coord)(text != 0 && image != 0 ? gap : 0);
    gorse_coord first = (gorse_coord)(*from + (*to - *from - text - image - between) / 2);
    gorse_coord second = (gorse_coord)(first + between + (image_first != 0u ? image : text));
    *from = image_first != 0u ? second : first;
    *to = (gorse_coord)(*from + text);
    return image_first != 0u ? first : second;
}

void gorse_draw_image_button(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_button *button = (const gorse_widget_button *)(const void *)widget;
    const GORSE_ROM gorse_image *image = button->image;
    gorse_text_source text = gorse_shown_text(c->run, &button->label);
    gorse_text_box where;
    gorse_rect *box = &where.box;
    gorse_coord text_w, text_h, x, y;
    gorse_coord image_w = (gorse_coord)image->width, image_h = (gorse_coord)image->height;
    uint8_t side = button->image_side;
    uint8_t image_first = (uint8_t)(side == GORSE_SIDE_LEFT || side == GORSE_SIDE_ABOVE);
    gorse_widget_box(widget, box);
    gorse_draw_box(c, box, look);
    gorse_text_widget_box(&button->label, look, &where);
    text_size(text, look->font, where.wrap, (gorse_coord)(box->x1 - box->x0), &text_w, &text_h);
    x = gorse_placed(box->x0, box->x1, image_w, GORSE_ALIGN_MIDDLE);
    y = gorse_placed(box->y0, box->y1, image_h, GORSE_ALIGN_MIDDLE);
    if (side == GORSE_SIDE_ABOVE || side == GORSE_SIDE_BELOW) {
        y = arrange(&box->y0, &box->y1, image_h, text_h, button->gap, image_first);
        where.place = GORSE_ALIGN_START;
    } else {
        x = arrange(&box->x0, &box->x1, image_w, text_w, button->gap, image_first);
        where.align = GORSE_ALIGN_START;
    }
    gorse_draw_image(c, image, x, y, look->text);
    gorse_draw_text(c, text, &where, look->font, look->text);
}

const GORSE_ROM gorse_kind gorse_kind_button_image = {
    sizeof(gorse_widget_button), GORSE_KIND_HAS_TEXT | GORSE_KIND_TOUCHED, gorse_draw_image_button, 0, 0, 0};
