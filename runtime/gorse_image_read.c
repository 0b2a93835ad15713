/* SPDX-License-Identifier: MIT */
/* Reads the rows of an image wherever its bytes are: bytes from a plane by way of a reader, made pixels in the panel's
 * row form, with coverage from a mask. */
#include "gorse_image.h"

static const GORSE_ROM gorse_image_source as_it_is = {0, 0, 0, 0, 0, 0, 0, 0};

void gorse_open_image(gorse_image_reading *reading, const gorse_canvas *c, const GORSE_ROM gorse_image *image,
                      gorse_plane_reader *pixels) {
    gorse_image_plane *p = &pixels->plane;
    reading->c = c;
    reading->image = image;
    reading->source = image->source != 0 ? image->source : &as_it_is;
    reading->pixels = image->format != 0 ? pixels : 0;
    reading->mask = 0;
    reading->bits = image->format != 0 ? image->format->bits : 8;
    pixels->row.open = 0;
    p->bytes = image->pixels;
    p->groups = reading->source->pixel_groups;
    p->address = reading->source->pixel_address;
    p->unit = (uint8_t)(reading->bits < 8u ? 1u : reading->bits >> 3);
    p->pages = (uint8_t)(image->format != 0 && image->format->rows == 8u);
    p->width = image->width;
    if (reading->bits < 8u && p->pages == 0u)
        p->width = (uint16_t)(((uint32_t)p->width * reading->bits + 7u) >> 3);
}

void gorse_open_mask(gorse_image_reading *reading, gorse_plane_reader *mask) {
    const GORSE_ROM gorse_image *image = reading->image;
    gorse_image_plane *p = &mask->plane;
    reading->mask = mask;
    mask->row.open = 0;
    p->bytes = image->mask;
    p->groups = reading->source->mask_groups;
    p->address = reading->source->mask_address;
    p->unit = 1;
    p->pages = 0;
    p->width = (uint16_t)(((uint32_t)image->width * image->mask_bits + 7u) >> 3);
}

static uint16_t unit_of(uint16_t column, uint8_t bits) { return (uint16_t)((uint32_t)column * bits >> 3); }

static void start_row(const gorse_image_reading *d, gorse_plane_reader *from, uint16_t y, uint16_t first) {
    const GORSE_ROM gorse_image_reader *reader = d->source->reader;
    from->row.plane = &from->plane;
    from->row.run = d->c->run;
    if (reader != 0)
        reader->start(&from->row, y, first);
}

void gorse_start_image_row(const gorse_image_reading *reading, uint16_t column, uint16_t y) {
    const uint8_t bits = reading->bits;
    gorse_plane_reader *pixels = reading->pixels;
    if (pixels != 0)
        start_row(reading, pixels, pixels->plane.pages != 0u ? y >> 3 : y,
                  bits < 8u && pixels->plane.pages == 0u ? unit_of(column, bits) : column);
    if (reading->mask != 0)
        start_row(reading, reading->mask, y, unit_of(column, reading->image->mask_bits));
}

/* Units of a plane's row, counted from its unit `first` on; later calls for the same row go on where one ended. */
static const uint8_t *get_units(const gorse_image_reading *d, gorse_plane_reader *plane, uint16_t y, uint16_t first,
                                uint16_t n, uint8_t *room) {
    const GORSE_ROM gorse_image_reader *reader = d->source->reader;
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

uint8_t gorse_read_mask(const gorse_image_reading *reading, uint16_t column, uint16_t y, uint16_t n, uint8_t *room,
                        uint8_t *coverage) {
    const uint8_t bits = reading->image->mask_bits;
    if (reading->mask != 0) {
        const uint16_t count = gorse_bytes_of(column, n, bits);
        const uint8_t *bytes = get_units(reading, reading->mask, y, unit_of(column, bits), count, room);
        uint16_t i = 0;
        while (i < count && bytes[i] == 255u)
            i++;
        /* A mask alone has no other use of its coverage than to be drawn with it. */
        if (i == count && reading->pixels != 0 && reading->source->convert == 0)
            return 0;
        gorse_spread_mask(bytes, bits, column, n, coverage);
        return 1;
    }
    if (reading->source->convert == 0)
        return 0;
    memset(coverage, 255, n);
    return 1;
}

/* n pixels of less than a byte, a byte each. */
static GORSE_OWN_FRAME void get_spread(const gorse_image_reading *d, uint16_t column, uint16_t y, uint16_t n,
                                       uint8_t *room) {
    const GORSE_ROM gorse_image_format *format = d->image->format;
    uint8_t packed[GORSE_IMAGE_PIXELS];
    uint8_t skip = (uint8_t)(y & 7u);
    if (d->pixels->plane.pages != 0u) {
        format->spread(get_units(d, d->pixels, y >> 3, column, n, packed), skip, n, room);
        return;
    }
    skip = (uint8_t)(((uint32_t)column * d->bits & 7u) / d->bits);
    format->spread(get_units(d, d->pixels, y, unit_of(column, d->bits), gorse_bytes_of(column, n, d->bits), packed),
                   skip, n, room);
}

const uint8_t *gorse_read_pixels(const gorse_image_reading *reading, uint16_t column, uint16_t y, uint16_t n,
                                 uint8_t *room, uint8_t *coverage) {
    const GORSE_ROM gorse_image_source *source = reading->source;
    if (reading->image->format->spread != 0) {
        get_spread(reading, column, y, n, room);
    } else {
        const uint8_t *bytes = get_units(reading, reading->pixels, y, column, n, room);
        if (source->convert == 0)
            return bytes;
        if (bytes != room)
            memcpy(room, bytes, (size_t)n * reading->pixels->plane.unit);
    }
    if (source->convert != 0)
        source->convert(reading->c, source, room, n, coverage);
    return room;
}
