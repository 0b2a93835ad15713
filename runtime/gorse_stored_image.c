/* SPDX-License-Identifier: MIT */
/* Draws images that don't lie plainly in memory in the panel's own form, row by row. */
#include "gorse_image.h"

/* Where an image is drawn. */
typedef struct drawing {
    gorse_image_reading reading;
    gorse_colour colour;
    gorse_coord x; /* of its left edge */
} drawing;

static GORSE_OWN_FRAME void draw_part(const drawing *d, gorse_coord row, uint16_t column, uint16_t y, uint16_t n) {
    uint8_t coverage[GORSE_IMAGE_PIXELS];
    uint8_t room[GORSE_IMAGE_PIXELS * 4];
    const gorse_canvas *c = d->reading.c;
    const gorse_coord x = (gorse_coord)(d->x + (gorse_coord)column);
    const uint8_t *covered = gorse_read_mask(&d->reading, column, y, n, room, coverage) != 0u ? coverage : 0;
    if (d->reading.pixels == 0)
        gorse_mask_span(c, x, row, n, coverage, d->colour);
    else
        c->format->copy(c, x, row, n, gorse_read_pixels(&d->reading, column, y, n, room, coverage), covered);
}

static void draw_row(const drawing *d, const gorse_rect *area, uint16_t y) {
    const gorse_image_reading *r = &d->reading;
    uint16_t column = (uint16_t)(area->x0 - d->x);
    uint16_t end = (uint16_t)(area->x1 - d->x);
    gorse_start_image_row(r, column, y);
    if (r->mask == 0 && r->source->reader != 0 && r->source->reader->draw != 0 && r->image->format->spread == 0 &&
        r->source->convert == 0) {
        r->source->reader->draw(&r->pixels->row, r->c, area->x0, area->y0, (uint16_t)(end - column));
        return;
    }
    while (column < end) {
        uint16_t n = (uint16_t)(end - column);
        /* Every part but the first begins with a whole byte. */
        uint16_t max = (uint16_t)(GORSE_IMAGE_PIXELS - (column & 7u));
        if (n > max)
            n = max;
        draw_part(d, area->y0, column, y, n);
        column = (uint16_t)(column + n);
    }
}

static GORSE_OWN_FRAME void draw_rows(drawing *d, gorse_rect *area, gorse_coord top) {
    gorse_plane_reader mask;
    if (d->reading.image->mask_bits != 0u)
        gorse_open_mask(&d->reading, &mask);
    for (; area->y0 < area->y1 && (d->reading.pixels != 0 || d->reading.mask != 0); area->y0++)
        draw_row(d, area, (uint16_t)(area->y0 - top));
}

void gorse_draw_stored_image(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                             gorse_colour colour) {
    drawing d;
    gorse_plane_reader pixels;
    gorse_rect area;
    if (gorse_image_area(c, image, x, y, &area) == 0u)
        return;
    gorse_open_image(&d.reading, c, image, &pixels);
    d.x = x;
    d.colour = colour;
    draw_rows(&d, &area, y);
}
