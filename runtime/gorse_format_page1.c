/* SPDX-License-Identifier: MIT */
/* One bit a pixel in upright bytes, lowest bit on top, rows of 8 lines (pages). A set bit is a lit pixel; coverage
 * of half and more counts as whole. */
#include "gorse_grey.h"

static uint8_t *byte_at(const gorse_canvas *c, gorse_coord x, gorse_coord y) {
    uint32_t page = (uint32_t)((uint16_t)((uint16_t)y - c->strip.y) >> 3) * c->strip.stride;
    return c->strip.pixels + page + (uint16_t)((uint16_t)x - c->strip.x);
}

static uint8_t bit_of(const gorse_canvas *c, gorse_coord y) {
    return (uint8_t)(1u << ((uint16_t)((uint16_t)y - c->strip.y) & 7u));
}

static uint32_t native(const gorse_canvas *c, gorse_colour colour) {
    (void)c;
    return gorse_grey(colour) >> 7;
}

static void fill(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, uint32_t lit) {
    uint8_t *to = byte_at(c, x, y);
    uint8_t bit = bit_of(c, y);
    uint16_t i;
    if (lit != 0u)
        for (i = 0; i < n; i++)
            to[i] = (uint8_t)(to[i] | bit);
    else
        for (i = 0; i < n; i++)
            to[i] = (uint8_t)(to[i] & (uint8_t)~bit);
}

static void mask(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *coverage,
                 uint32_t lit) {
    uint8_t *to = byte_at(c, x, y);
    uint8_t bit = bit_of(c, y);
    uint16_t i;
    for (i = 0; i < n; i++)
        if (coverage[i] >= 128u)
            to[i] = (uint8_t)(lit != 0u ? to[i] | bit : to[i] & (uint8_t)~bit);
}

static void copy(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *pixels,
                 const uint8_t *coverage) {
    uint8_t *to = byte_at(c, x, y);
    uint8_t bit = bit_of(c, y);
    uint16_t i;
    for (i = 0; i < n; i++)
        if (coverage == 0 || coverage[i] >= 128u)
            to[i] = (uint8_t)(pixels[i] != 0u ? to[i] | bit : to[i] & (uint8_t)~bit);
}

const GORSE_ROM gorse_format gorse_format_page1 = {1, 8, 1, 0, native, fill, mask, copy};
