/* SPDX-License-Identifier: MIT */
/* Draws images that don't lie plainly in memory in the panel's own form: row by row, bytes from a plane by way of a
 * reader, made pixels in the panel's row form, with coverage from a mask. */
#include "gorse_image.h"

/* An image while it is drawn. */
typedef struct drawing {
    const gorse_canvas *c;
    gorse_image image;
    gorse_image_source source;
    gorse_image_format format;
    gorse_image_reader reader;
    gorse_image_plane pixels, mask;
    gorse_image_row pixel_row, mask_row;
    gorse_colour colour;
    gorse_coord x; /* of its left edge */
    uint8_t has_pixels, has_mask, in_memory;
} drawing;

static void open_planes(drawing *d) {
    gorse_image_plane *p = &d->pixels;
    uint8_t bits = d->format.bits;
    p->bytes = d->image.pixels;
    p->groups = d->source.pixel_groups;
    p->address = d->source.pixel_address;
    p->unit = (uint8_t)(bits < 8u ? 1u : bits >> 3);
    p->pages = (uint8_t)(d->format.rows == 8u);
    p->width = bits < 8u && p->pages == 0u ? (uint16_t)(((uint32_t)d->image.width * bits + 7u) >> 3) : d->image.width;
    p = &d->mask;
    p->bytes = d->image.mask;
    p->groups = d->source.mask_groups;
    p->address = d->source.mask_address;
    p->unit = 1;
    p->pages = 0;
    p->width = (uint16_t)(((uint32_t)d->image.width * d->image.mask_bits + 7u) >> 3);
}

static void open_image(drawing *d, const GORSE_ROM gorse_image *image) {
    static const GORSE_ROM gorse_image_format none = {8, 1, 0, 0};
    gorse_copy_rom(&d->image, image, sizeof d->image);
    gorse_copy_rom(&d->source, d->image.source, sizeof d->source);
    gorse_copy_rom(&d->format, d->image.format != 0 ? d->image.format : &none, sizeof d->format);
    d->in_memory = (uint8_t)(d->source.reader == 0);
    if (d->in_memory == 0u)
        gorse_copy_rom(&d->reader, d->source.reader, sizeof d->reader);
    d->has_pixels = (uint8_t)(d->image.format != 0);
    d->has_mask = (uint8_t)(d->image.mask_bits != 0u);
    d->pixel_row.open = d->mask_row.open = 0;
    open_planes(d);
}

/* Units of a plane's row, counted from its unit `first` on; later calls for the same row go on where one ended. */
static const uint8_t *get_units(const drawing *d, gorse_image_row *row, uint16_t y, uint16_t first, uint16_t n,
                                uint8_t *room) {
    const gorse_image_plane *p = row->plane;
    const GORSE_ROM uint8_t *from;
    if (d->in_memory == 0u)
        return d->reader.get(row, n, room);
    from = p->bytes + ((uint32_t)y * p->width + first) * p->unit;
#if GORSE_SEPARATE_ROM
    gorse_copy_rom(room, from, (uint16_t)(n * p->unit));
    return room;
#else
    (void)room;
    return from;
#endif
}

static void start_row(const drawing *d, gorse_image_row *row, const gorse_image_plane *plane, uint16_t y,
                      uint16_t first) {
    row->plane = plane;
    row->run = d->c->run;
    if (d->in_memory == 0u)
        d->reader.start(row, y, first);
}

static const uint8_t *get_mask(const drawing *d, gorse_image_row *row, uint16_t column, uint16_t y, uint16_t n,
                               uint8_t *room, uint8_t *out) {
    uint8_t bits = d->image.mask_bits;
    uint16_t first = (uint16_t)((uint32_t)column * bits >> 3);
    const uint8_t *bytes = get_units(d, row, y, first, gorse_bytes_of(column, n, bits), room);
    if (bits == 8u && d->source.convert == 0)
        return bytes;
    gorse_spread_mask(bytes, bits, column, n, out);
    return out;
}

/* n pixels in the panel's row form. */
static const uint8_t *get_pixels(const drawing *d, gorse_image_row *row, uint16_t column, uint16_t y, uint16_t n,
                                 uint8_t *room, uint8_t *coverage) {
    const gorse_image_format *f = &d->format;
    uint8_t packed[GORSE_CHUNK];
    const uint8_t *bytes;
    uint16_t i;
    if (f->spread == 0) {
        bytes = get_units(d, row, y, column, n, room);
        if (d->source.convert == 0)
            return bytes;
        for (i = 0; bytes != room && i < n * (f->bits >> 3); i++)
            room[i] = bytes[i];
    } else if (f->rows == 8u) {
        f->spread(get_units(d, row, y >> 3, column, n, packed), (uint8_t)(y & 7u), n, room);
    } else {
        uint16_t first = (uint16_t)((uint32_t)column * f->bits >> 3);
        uint8_t skip = (uint8_t)(((uint32_t)column * f->bits & 7u) / f->bits);
        f->spread(get_units(d, row, y, first, gorse_bytes_of(column, n, f->bits), packed), skip, n, room);
    }
    if (d->source.convert != 0)
        d->source.convert(d->c, &d->source, room, n, coverage);
    return room;
}

static void draw_row(drawing *d, gorse_coord from, gorse_coord to, gorse_coord row, uint16_t y) {
    uint8_t coverage[GORSE_CHUNK];
    uint8_t mask_room[GORSE_CHUNK];
    uint8_t room[GORSE_CHUNK * 4];
    uint16_t column = (uint16_t)(from - d->x);
    uint8_t makes_coverage = (uint8_t)(d->source.convert != 0);
    if (d->has_pixels != 0u)
        start_row(
            d, &d->pixel_row, &d->pixels, d->pixels.pages != 0u ? y >> 3 : y,
            d->format.bits < 8u && d->pixels.pages == 0u ? (uint16_t)((uint32_t)column * d->format.bits >> 3) : column);
    if (d->has_mask != 0u)
        start_row(d, &d->mask_row, &d->mask, y, (uint16_t)((uint32_t)column * d->image.mask_bits >> 3));
    if (d->in_memory == 0u && d->reader.draw != 0 && d->has_mask == 0u && d->format.spread == 0 &&
        makes_coverage == 0u) {
        d->reader.draw(&d->pixel_row, d->c, from, row, (uint16_t)(to - from));
        return;
    }
    while (from < to) {
        uint16_t n = (uint16_t)(to - from);
        const uint8_t *covered = 0;
        /* Every part but the first begins with a whole byte. */
        uint16_t max = (uint16_t)(GORSE_CHUNK - (column & 7u));
        if (n > max)
            n = max;
        if (d->has_mask != 0u) {
            covered = get_mask(d, &d->mask_row, column, y, n, mask_room, coverage);
        } else if (makes_coverage != 0u) {
            uint16_t i;
            for (i = 0; i < n; i++)
                coverage[i] = 255;
            covered = coverage;
        }
        if (d->has_pixels == 0u)
            gorse_mask_span(d->c, from, row, n, covered, d->colour);
        else
            d->c->format->copy(d->c, from, row, n, get_pixels(d, &d->pixel_row, column, y, n, room, coverage), covered);
        from = (gorse_coord)(from + (gorse_coord)n);
        column = (uint16_t)(column + n);
    }
}

void gorse_draw_stored_image(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                             gorse_colour colour) {
    drawing d;
    gorse_rect area;
    if (gorse_image_area(c, image, x, y, &area) == 0u)
        return;
    d.c = c;
    d.x = x;
    d.colour = colour;
    open_image(&d, image);
    for (; area.y0 < area.y1 && (d.has_pixels | d.has_mask) != 0u; area.y0++)
        draw_row(&d, area.x0, area.x1, area.y0, (uint16_t)(area.y0 - y));
}
