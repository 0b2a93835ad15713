/* SPDX-License-Identifier: MIT */
/* An image that is mirrored, laid over the box again and again, or stretched to it. */
#include "gorse_image.h"

/* What is drawn of an image, and where. */
typedef struct arranged {
    const gorse_canvas *c;
    const gorse_widget_image *of;
    gorse_colour colour;
    gorse_rect box; /* inside border and padding */
} arranged;

/* The last place not after `from` that is so many times `size` away from `at`. */
static gorse_coord begin_before(gorse_coord at, gorse_coord from, gorse_coord size) {
    const gorse_coord over = (gorse_coord)((from - at) % size);
    return (gorse_coord)(from - (over < 0 ? over + size : over));
}

static GORSE_OWN_FRAME void draw_tiles(const arranged *a, gorse_coord x, gorse_coord y) {
    const gorse_coord width = (gorse_coord)a->of->image->width, height = (gorse_coord)a->of->image->height;
    gorse_canvas inside = *a->c;
    if (gorse_clip(&inside.clip, &a->box) == 0u)
        return;
    x = begin_before(x, inside.clip.x0, width);
    for (y = begin_before(y, inside.clip.y0, height); y < inside.clip.y1; y = (gorse_coord)(y + height)) {
        gorse_coord at;
        for (at = x; at < inside.clip.x1; at = (gorse_coord)(at + width))
            if (a->of->mirror == GORSE_MIRROR_NONE)
                gorse_draw_image(&inside, a->of->image, at, y, a->colour);
            else
                gorse_draw_mirrored_image(&inside, a->of->image, at, y, a->of->mirror, a->colour);
    }
}

/* Three parts of a length: what is not stretched at its ends, at most half of it, and what is between. */
static void cut(gorse_coord from, gorse_coord end, gorse_coord slice, gorse_coord *at) {
    at[0] = from;
    at[1] = (gorse_coord)(from + slice);
    at[2] = (gorse_coord)(end - slice);
    at[3] = end;
}

static GORSE_OWN_FRAME void draw_stretched(const arranged *a) {
    const gorse_coord width = (gorse_coord)a->of->image->width, height = (gorse_coord)a->of->image->height;
    const gorse_coord wide = (gorse_coord)(a->box.x1 - a->box.x0), high = (gorse_coord)(a->box.y1 - a->box.y0);
    const gorse_coord slice =
        gorse_min(gorse_min((gorse_coord)a->of->slice, gorse_min(width, wide) / 2), gorse_min(height, high) / 2);
    gorse_coord from_x[4], from_y[4], to_x[4], to_y[4];
    gorse_image_part part;
    uint_fast8_t i;
    cut(0, width, slice, from_x);
    cut(0, height, slice, from_y);
    cut(a->box.x0, a->box.x1, slice, to_x);
    cut(a->box.y0, a->box.y1, slice, to_y);
    part.mirror = a->of->mirror;
    for (i = 0; i < 9u; i++) {
        const uint_fast8_t column = i % 3u, row = i / 3u;
        const uint_fast8_t to_column = (uint_fast8_t)((part.mirror & GORSE_MIRROR_ACROSS) != 0u ? 2u - column : column);
        const uint_fast8_t to_row = (uint_fast8_t)((part.mirror & GORSE_MIRROR_DOWN) != 0u ? 2u - row : row);
        part.from.x0 = from_x[column];
        part.from.x1 = from_x[column + 1u];
        part.from.y0 = from_y[row];
        part.from.y1 = from_y[row + 1u];
        part.to.x0 = to_x[to_column];
        part.to.x1 = to_x[to_column + 1u];
        part.to.y0 = to_y[to_row];
        part.to.y1 = to_y[to_row + 1u];
        gorse_draw_image_part(a->c, a->of->image, &part, a->colour);
    }
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_image *picture = (const gorse_widget_image *)(const void *)widget;
    gorse_coord x, y;
    arranged a;
    gorse_widget_box(widget, &a.box);
    gorse_draw_box(c, &a.box, look);
    gorse_shrink(&a.box, (gorse_coord)(look->border_width + look->padding));
    a.c = c;
    a.of = picture;
    a.colour = look->text;
    if (picture->image == 0 || gorse_is_empty(&a.box) != 0u)
        return;
    x = gorse_placed(a.box.x0, a.box.x1, (gorse_coord)picture->image->width, picture->align);
    y = gorse_placed(a.box.y0, a.box.y1, (gorse_coord)picture->image->height, picture->place);
    if (picture->repeat == GORSE_REPEAT_TILE)
        draw_tiles(&a, x, y);
    else if (picture->repeat == GORSE_REPEAT_STRETCH)
        draw_stretched(&a);
    else
        gorse_draw_mirrored_image(c, picture->image, x, y, picture->mirror, a.colour);
}

const GORSE_ROM gorse_kind gorse_kind_image_arranged = {sizeof(gorse_widget_image), 0, draw, 0, 0, 0};
