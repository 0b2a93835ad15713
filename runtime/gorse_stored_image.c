/* SPDX-License-Identifier: MIT */
/* Draws images that don't lie plainly in memory in the panel's own form: row by row, bytes from a plane by way of a
 * reader, made pixels in the panel's row form, with coverage from a mask. */
#include "gorse_image.h"

/* An image while it is drawn, and one of its planes with the row that is read. */
typedef struct drawing {
    const gorse_canvas *c;
    const GORSE_ROM gorse_image *image;
    gorse_colour colour;
    gorse_coord x; /* of its left edge */
    uint8_t bits;  /* a pixel */
} drawing;

typedef struct plane_reader {
    gorse_image_plane plane;
    gorse_image_row row;
} plane_reader;

static void open_pixels(const drawing *d, plane_reader *from) {
    const GORSE_ROM gorse_image *image = d->image;
    gorse_image_plane *p = &from->plane;
    from->row.open = 0;
    p->bytes = image->pixels;
    p->groups = image->source->pixel_groups;
    p->address = image->source->pixel_address;
    p->unit = (uint8_t)(d->bits < 8u ? 1u : d->bits >> 3);
    p->pages = (uint8_t)(image->format != 0 && image->format->rows == 8u);
    p->width = image->width;
    if (d->bits < 8u && p->pages == 0u)
        p->width = (uint16_t)(((uint32_t)p->width * d->bits + 7u) >> 3);
}

static void open_mask(const GORSE_ROM gorse_image *image, plane_reader *from) {
    gorse_image_plane *p = &from->plane;
    from->row.open = 0;
    p->bytes = image->mask;
    p->groups = image->source->mask_groups;
    p->address = image->source->mask_address;
    p->unit = 1;
    p->pages = 0;
    p->width = (uint16_t)(((uint32_t)image->width * image->mask_bits + 7u) >> 3);
}

static uint16_t unit_of(uint16_t column, uint8_t bits) { return (uint16_t)((uint32_t)column * bits >> 3); }

static void start_row(const drawing *d, plane_reader *from, uint16_t y, uint16_t first) {
    const GORSE_ROM gorse_image_reader *reader = d->image->source->reader;
    from->row.plane = &from->plane;
    from->row.run = d->c->run;
    if (reader != 0)
        reader->start(&from->row, y, first);
}

/* Units of a plane's row, counted from its unit `first` on; later calls for the same row go on where one ended. */
static const uint8_t *get_units(const drawing *d, plane_reader *plane, uint16_t y, uint16_t first, uint16_t n,
                                uint8_t *room) {
    const GORSE_ROM gorse_image_reader *reader = d->image->source->reader;
    const gorse_image_plane *p = &plane->plane;
    const GORSE_ROM uint8_t *from;
    if (reader != 0)
        return reader->get(&plane->row, n, room);
    from = p->bytes + ((uint32_t)y * p->width + first) * p->unit;
#if GORSE_SEPARATE_ROM
    gorse_copy_rom(room, from, (uint16_t)(n * p->unit));
    return room;
#else
    (void)room;
    return from;
#endif
}

/* Coverage of n pixels in `out`, by way of `room`. */
static void get_mask(const drawing *d, plane_reader *mask, uint16_t column, uint16_t y, uint16_t n, uint8_t *room,
                     uint8_t *out) {
    uint8_t bits = d->image->mask_bits;
    gorse_spread_mask(get_units(d, mask, y, unit_of(column, bits), gorse_bytes_of(column, n, bits), room), bits, column,
                      n, out);
}

/* n pixels of less than a byte, a byte each. */
static GORSE_OWN_FRAME void get_spread(const drawing *d, plane_reader *pixels, uint16_t column, uint16_t y, uint16_t n,
                                       uint8_t *room) {
    const GORSE_ROM gorse_image_format *format = d->image->format;
    uint8_t packed[GORSE_IMAGE_PIXELS];
    uint8_t skip = (uint8_t)(y & 7u);
    if (pixels->plane.pages != 0u) {
        format->spread(get_units(d, pixels, y >> 3, column, n, packed), skip, n, room);
        return;
    }
    skip = (uint8_t)(((uint32_t)column * d->bits & 7u) / d->bits);
    format->spread(get_units(d, pixels, y, unit_of(column, d->bits), gorse_bytes_of(column, n, d->bits), packed), skip,
                   n, room);
}

/* n pixels in the panel's row form. */
static const uint8_t *get_pixels(const drawing *d, plane_reader *pixels, uint16_t column, uint16_t y, uint16_t n,
                                 uint8_t *room, uint8_t *coverage) {
    const GORSE_ROM gorse_image_source *source = d->image->source;
    if (d->image->format->spread != 0) {
        get_spread(d, pixels, column, y, n, room);
    } else {
        const uint8_t *bytes = get_units(d, pixels, y, column, n, room);
        if (source->convert == 0)
            return bytes;
        if (bytes != room)
            memcpy(room, bytes, (size_t)n * pixels->plane.unit);
    }
    if (source->convert != 0)
        source->convert(d->c, source, room, n, coverage);
    return room;
}

/* `pixels` 0: a mask alone; `mask` 0: none. */
static GORSE_OWN_FRAME void draw_part(const drawing *d, plane_reader *pixels, plane_reader *mask, gorse_coord row,
                                      uint16_t column, uint16_t y, uint16_t n) {
    uint8_t coverage[GORSE_IMAGE_PIXELS];
    uint8_t room[GORSE_IMAGE_PIXELS * 4];
    gorse_coord x = (gorse_coord)(d->x + (gorse_coord)column);
    const uint8_t *covered = 0;
    if (mask != 0) {
        get_mask(d, mask, column, y, n, room, coverage);
        covered = coverage;
    } else if (d->image->source->convert != 0) {
        memset(coverage, 255, n);
        covered = coverage;
    }
    if (pixels == 0)
        gorse_mask_span(d->c, x, row, n, coverage, d->colour);
    else
        d->c->format->copy(d->c, x, row, n, get_pixels(d, pixels, column, y, n, room, coverage), covered);
}

static void draw_row(const drawing *d, plane_reader *pixels, plane_reader *mask, const gorse_rect *area, uint16_t y) {
    const GORSE_ROM gorse_image_source *source = d->image->source;
    uint16_t column = (uint16_t)(area->x0 - d->x);
    uint16_t end = (uint16_t)(area->x1 - d->x);
    if (pixels != 0)
        start_row(d, pixels, pixels->plane.pages != 0u ? y >> 3 : y,
                  d->bits < 8u && pixels->plane.pages == 0u ? unit_of(column, d->bits) : column);
    if (mask != 0)
        start_row(d, mask, y, unit_of(column, d->image->mask_bits));
    else if (source->reader != 0 && source->reader->draw != 0 && d->image->format->spread == 0 &&
             source->convert == 0) {
        source->reader->draw(&pixels->row, d->c, area->x0, area->y0, (uint16_t)(end - column));
        return;
    }
    while (column < end) {
        uint16_t n = (uint16_t)(end - column);
        /* Every part but the first begins with a whole byte. */
        uint16_t max = (uint16_t)(GORSE_IMAGE_PIXELS - (column & 7u));
        if (n > max)
            n = max;
        draw_part(d, pixels, mask, area->y0, column, y, n);
        column = (uint16_t)(column + n);
    }
}

static GORSE_OWN_FRAME void draw_rows(const drawing *d, plane_reader *pixels, gorse_rect *area, gorse_coord top) {
    plane_reader mask;
    uint8_t masked = (uint8_t)(d->image->mask_bits != 0u);
    if (masked != 0u)
        open_mask(d->image, &mask);
    for (; area->y0 < area->y1 && (pixels != 0 || masked != 0u); area->y0++)
        draw_row(d, pixels, masked != 0u ? &mask : 0, area, (uint16_t)(area->y0 - top));
}

void gorse_draw_stored_image(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                             gorse_colour colour) {
    drawing d;
    plane_reader pixels;
    gorse_rect area;
    if (gorse_image_area(c, image, x, y, &area) == 0u)
        return;
    d.c = c;
    d.image = image;
    d.x = x;
    d.colour = colour;
    d.bits = image->format != 0 ? image->format->bits : 8;
    open_pixels(&d, &pixels);
    draw_rows(&d, image->format != 0 ? &pixels : 0, &area, y);
}
