/* SPDX-License-Identifier: MIT */
/* Draws images that lie plainly in memory in the panel's own form; others draw themselves by their source. */
#include "gorse_image.h"

int16_t gorse_placed(int16_t from, int16_t to, uint16_t size, uint8_t how) {
    if (how == GORSE_START)
        return from;
    if (how == GORSE_END)
        return (int16_t)(to - (int16_t)size);
    return (int16_t)(from + (to - from - (int16_t)size) / 2);
}

void gorse_spread_mask(const uint8_t *bytes, uint8_t bits, uint16_t column, uint16_t n, uint8_t *out) {
    uint8_t top = (uint8_t)((1u << bits) - 1u);
    uint8_t factor = (uint8_t)(255u / top);
    uint8_t left = (uint8_t)(8u - (uint8_t)((uint32_t)column * bits & 7u));
    while (n-- != 0u) {
        if (left == 0u) {
            bytes++;
            left = 8;
        }
        left = (uint8_t)(left - bits);
        *out++ = (uint8_t)((uint8_t)((uint8_t)(*bytes >> left) & top) * factor);
    }
}

uint16_t gorse_bytes_of(uint16_t x, uint16_t n, uint8_t bits) {
    uint32_t first = (uint32_t)x * bits >> 3;
    uint32_t end = ((uint32_t)((uint32_t)x + n) * bits + 7u) >> 3;
    return (uint16_t)(end - first);
}

gorse_rect gorse_image_area(const gorse_canvas *c, const gorse_image *image, int16_t x, int16_t y) {
    gorse_rect area;
    area.x0 = x;
    area.y0 = y;
    area.x1 = (int16_t)((int32_t)x + image->width > 32767 ? 32767 : x + (int16_t)image->width);
    area.y1 = (int16_t)((int32_t)y + image->height > 32767 ? 32767 : y + (int16_t)image->height);
    return gorse_both(area, c->clip);
}

/* Bytes of a table where a plain pointer can read them. */
static const uint8_t *bytes_at(const GORSE_ROM uint8_t *from, uint16_t n, uint8_t *room) {
#if GORSE_SEPARATE_ROM
    gorse_copy_rom(room, from, n);
    return room;
#else
    (void)n;
    (void)room;
    return from;
#endif
}

/* Bytes of the row of a plane with `bits` a pixel, from the one that holds pixel x on. */
static const uint8_t *row_at(const GORSE_ROM uint8_t *plane, uint16_t width, uint8_t bits, uint16_t x, uint16_t y,
                             uint16_t n, uint8_t *room) {
    uint32_t row_bytes = ((uint32_t)width * bits + 7u) >> 3;
    return bytes_at(plane + y * row_bytes + ((uint32_t)x * bits >> 3), gorse_bytes_of(x, n, bits), room);
}

/* n pixels in the panel's row form. */
static const uint8_t *pixels_at(const gorse_image *image, const gorse_image_format *format, uint16_t x, uint16_t y,
                                uint16_t n, uint8_t *packed, uint8_t *room) {
    uint8_t bits = format->bits;
    if (format->rows == 8u) {
        format->spread(bytes_at(image->pixels + (uint32_t)(y >> 3) * image->width + x, n, packed), (uint8_t)(y & 7u), n,
                       room);
        return room;
    }
    if (format->spread == 0)
        return row_at(image->pixels, image->width, bits, x, y, n, room);
    format->spread(row_at(image->pixels, image->width, bits, x, y, n, packed), (uint8_t)(x & (uint16_t)(8u / bits - 1u)), n,
                   room);
    return room;
}

static void draw_span(const gorse_canvas *c, const gorse_image *image, const gorse_image_format *format, int16_t x,
                      int16_t y, uint16_t column, uint16_t row, uint16_t n, gorse_colour colour) {
    uint8_t coverage[GORSE_CHUNK];
    uint8_t packed[GORSE_CHUNK];
    uint8_t room[GORSE_CHUNK * 4];
    const uint8_t *covered = 0;
    if (image->mask != 0) {
        covered = coverage;
        gorse_spread_mask(row_at(image->mask, image->width, image->mask_bits, column, row, n, packed), image->mask_bits,
                          column, n, coverage);
    }
    if (image->pixels == 0)
        gorse_mask_span(c, x, y, n, covered, colour);
    else
        c->format.copy(c, x, y, n, pixels_at(image, format, column, row, n, packed, room), covered);
}

static void draw_plain(const gorse_canvas *c, const gorse_image *image, int16_t x, int16_t y, gorse_colour colour) {
    gorse_image_format format;
    gorse_rect area = gorse_image_area(c, image, x, y);
    int16_t row;
    if (image->mask == 0 && image->pixels == 0)
        return;
    if (image->pixels != 0)
        gorse_copy_rom(&format, image->format, sizeof format);
    for (row = area.y0; row < area.y1; row++) {
        int16_t at = area.x0;
        while (at < area.x1) {
            uint16_t n = (uint16_t)(area.x1 - at);
            if (n > GORSE_CHUNK)
                n = GORSE_CHUNK;
            draw_span(c, image, &format, at, row, (uint16_t)(at - x), (uint16_t)(row - y), n, colour);
            at = (int16_t)(at + (int16_t)n);
        }
    }
}

void gorse_draw_image(const gorse_canvas *c, const GORSE_ROM gorse_image *from, int16_t x, int16_t y,
                      gorse_colour colour) {
    gorse_image image;
    gorse_copy_rom(&image, from, sizeof image);
    if (image.source != 0) {
        gorse_image_source source;
        gorse_copy_rom(&source, image.source, sizeof source);
        source.draw(c, &image, &source, x, y, colour);
        return;
    }
    draw_plain(c, &image, x, y, colour);
}
