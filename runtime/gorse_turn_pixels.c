/* SPDX-License-Identifier: MIT */
/* Turns, mirrors, inverts a drawn strip of whole-byte pixels in place. A quarter turn is an exchange of rows and
 * columns and a mirroring; the strip is then part of a square, so that the exchange needs no second buffer. */
#include <string.h>

#include "gorse_turn.h"

static void swap_pixels(uint8_t *a, uint8_t *b, uint8_t bytes) {
    while (bytes-- != 0u)
        gorse_swap_bytes(a++, b++);
}

static void exchange_rows_and_columns(gorse_strip *s, uint8_t bytes) {
    uint16_t side = s->w > s->h ? s->w : s->h;
    uint16_t row, column;
    for (row = 0; row < side; row++)
        for (column = (uint16_t)(row + 1u); column < side; column++)
            swap_pixels(s->pixels + row * s->stride + (uint32_t)column * bytes,
                        s->pixels + column * s->stride + (uint32_t)row * bytes, bytes);
    gorse_exchange_sides(s);
    for (row = 1; row < s->h; row++)
        memmove(s->pixels + (uint32_t)row * s->w * bytes, s->pixels + row * s->stride, (size_t)s->w * bytes);
    s->stride = (uint32_t)s->w * bytes;
}

static void mirror_columns(const gorse_strip *s, uint8_t bytes) {
    uint16_t row, column;
    for (row = 0; row < s->h; row++) {
        uint8_t *first = s->pixels + row * s->stride;
        for (column = 0; column < s->w / 2u; column++)
            swap_pixels(first + (uint32_t)column * bytes, first + (uint32_t)(s->w - 1u - column) * bytes, bytes);
    }
}

static void mirror_rows(const gorse_strip *s) {
    uint16_t row;
    uint32_t column;
    for (row = 0; row < s->h / 2u; row++)
        for (column = 0; column < s->stride; column++)
            swap_pixels(s->pixels + row * s->stride + column, s->pixels + (s->h - 1u - row) * s->stride + column, 1);
}

static void swap_red_and_blue(const gorse_strip *s, const gorse_format *format, uint8_t high_byte_first) {
    uint8_t *pixel = s->pixels;
    uint32_t count = (uint32_t)s->w * s->h;
    for (; count-- != 0u; pixel += format->bits >> 3) {
        if (format->bits >= 24u) {
            swap_pixels(pixel, pixel + 2, 1);
        } else {
            uint8_t *high = high_byte_first ? pixel : pixel + 1;
            uint8_t *low = high_byte_first ? pixel + 1 : pixel;
            uint8_t red = (uint8_t)(*high >> 3), blue = (uint8_t)(*low & 31u);
            *high = (uint8_t)((*high & 7u) | (uint8_t)(blue << 3));
            *low = (uint8_t)((*low & 0xe0u) | red);
        }
    }
}

void gorse_turn_pixels(gorse_strip *s, const GORSE_ROM gorse_panel *panel) {
    gorse_format format;
    uint8_t bytes;
    gorse_turning t = gorse_turning_of(panel);
    gorse_copy_rom(&format, panel->format, sizeof format);
    bytes = (uint8_t)(format.bits >> 3);
    if (t.exchanges != 0u)
        exchange_rows_and_columns(s, bytes);
    if (t.mirrors_columns != 0u) {
        mirror_columns(s, bytes);
        gorse_mirror_x(s, &t);
    }
    if (t.mirrors_rows != 0u) {
        mirror_rows(s);
        gorse_mirror_y(s, &t);
    }
    if ((panel->flags & GORSE_PANEL_SWAP_RED_BLUE) != 0u)
        swap_red_and_blue(s, &format, (uint8_t)(format.flags & GORSE_FORMAT_HIGH_BYTE_FIRST));
    if (t.inverts != 0u) {
        uint32_t i, all = (uint32_t)s->w * s->h * bytes;
        for (i = 0; i < all; i++)
            if (bytes != 4u || (i & 3u) != 3u)
                s->pixels[i] = (uint8_t)~s->pixels[i];
    }
}
