/* SPDX-License-Identifier: MIT */
/* Turns, mirrors, inverts a drawn strip of whole-byte pixels in place. A quarter turn is an exchange of rows and
 * columns and a mirroring; the strip is then part of a square, so that the exchange needs no second buffer. */
#include <string.h>

#include "gorse_draw.h"

static void swap_pixels(uint8_t *a, uint8_t *b, uint8_t bytes) {
    while (bytes-- != 0u) {
        uint8_t kept = *a;
        *a++ = *b;
        *b++ = kept;
    }
}

static void exchange_rows_and_columns(gorse_strip *s, uint8_t bytes) {
    uint16_t side = s->w > s->h ? s->w : s->h;
    uint16_t row, column, kept;
    for (row = 0; row < side; row++)
        for (column = (uint16_t)(row + 1u); column < side; column++)
            swap_pixels(s->pixels + row * s->stride + (uint32_t)column * bytes,
                        s->pixels + column * s->stride + (uint32_t)row * bytes, bytes);
    kept = s->w;
    s->w = s->h;
    s->h = kept;
    kept = s->x;
    s->x = s->y;
    s->y = kept;
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

void gorse_turn_pixels(gorse_strip *s, const gorse_panel *panel) {
    gorse_format format;
    uint8_t bytes = (uint8_t)(s->bits >> 3);
    uint8_t quarter = panel->quarter_turns;
    uint8_t mirror_x = (uint8_t)((panel->flags & GORSE_MIRROR_X) != 0u);
    uint8_t mirror_y = (uint8_t)((panel->flags & GORSE_MIRROR_Y) != 0u);
    uint16_t width = (quarter & 1u) != 0u ? panel->height : panel->width;
    uint16_t height = (quarter & 1u) != 0u ? panel->width : panel->height;
    gorse_copy_rom(&format, panel->format, sizeof format);
    if ((quarter & 1u) != 0u)
        exchange_rows_and_columns(s, bytes);
    if ((quarter == 1u || quarter == 2u) != mirror_x) {
        mirror_columns(s, bytes);
        s->x = (uint16_t)(width - s->x - s->w);
    }
    if ((quarter == 2u || quarter == 3u) != mirror_y) {
        mirror_rows(s);
        s->y = (uint16_t)(height - s->y - s->h);
    }
    if ((panel->flags & GORSE_SWAP_RED_BLUE) != 0u)
        swap_red_and_blue(s, &format, (uint8_t)(format.flags & GORSE_HIGH_BYTE_FIRST));
    if ((panel->flags & GORSE_INVERT) != 0u) {
        uint32_t i, all = (uint32_t)s->w * s->h * bytes;
        for (i = 0; i < all; i++)
            if (bytes != 4u || (i & 3u) != 3u)
                s->pixels[i] = (uint8_t)~s->pixels[i];
    }
}
