/* SPDX-License-Identifier: MIT */
/* Draws images: pixels in the row form of the panel's format, coverage from a mask of 1 to 8 bits. */
#include "gorse_draw.h"

/* n values of a mask's row from column x, as coverage. */
static void read_mask(const gorse_image *image, uint16_t x, uint16_t y, uint16_t n, uint8_t *out) {
    uint8_t bits = image->mask_bits;
    uint32_t row_bytes = ((uint32_t)image->width * bits + 7u) >> 3;
    const GORSE_ROM uint8_t *row = image->mask + (uint32_t)y * row_bytes;
    uint8_t top = (uint8_t)((1u << bits) - 1u);
    uint8_t factor = (uint8_t)(255u / top);
    uint16_t i;
    if (bits == 8u) {
        gorse_copy_rom(out, row + x, n);
        return;
    }
    for (i = 0; i < n; i++) {
        uint32_t bit = (uint32_t)(uint16_t)(x + i) * bits;
        uint8_t shift = (uint8_t)(8u - bits - (uint8_t)(bit & 7u));
        out[i] = (uint8_t)((uint8_t)((uint8_t)(row[bit >> 3] >> shift) & top) * factor);
    }
}

static void draw_span(const gorse_canvas *c, const gorse_image *image, int16_t x, int16_t y, uint16_t column,
                      uint16_t row, uint16_t n, gorse_colour colour) {
    uint8_t coverage[GORSE_CHUNK];
    uint8_t room[GORSE_CHUNK * 4];
    gorse_image_format format;
    if (image->mask != 0)
        read_mask(image, column, row, n, coverage);
    if (image->pixels == 0) {
        gorse_mask_span(c, x, y, n, coverage, colour);
        return;
    }
    gorse_copy_rom(&format, image->format, sizeof format);
    c->format.copy(c, x, y, n, format.read(image, column, row, n, room), image->mask != 0 ? coverage : 0);
}

void gorse_draw_image(const gorse_canvas *c, const GORSE_ROM gorse_image *source, int16_t x, int16_t y,
                      gorse_colour colour) {
    gorse_image image;
    gorse_rect area;
    int16_t row;
    gorse_copy_rom(&image, source, sizeof image);
    if (image.mask == 0 && image.pixels == 0)
        return;
    area.x0 = x;
    area.y0 = y;
    area.x1 = (int16_t)((int32_t)x + image.width > 32767 ? 32767 : x + (int16_t)image.width);
    area.y1 = (int16_t)((int32_t)y + image.height > 32767 ? 32767 : y + (int16_t)image.height);
    area = gorse_both(area, c->clip);
    for (row = area.y0; row < area.y1; row++) {
        int16_t at = area.x0;
        while (at < area.x1) {
            uint16_t n = (uint16_t)(area.x1 - at);
            if (n > GORSE_CHUNK)
                n = GORSE_CHUNK;
            draw_span(c, &image, at, row, (uint16_t)(at - x), (uint16_t)(row - y), n, colour);
            at = (int16_t)(at + (int16_t)n);
        }
    }
}
