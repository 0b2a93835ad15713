/* SPDX-License-Identifier: MIT */
/* The functions of a pixel format with several pixels a byte, side by side. `bits`, `low_first` and `mixes` are
 * constants, so the compiler leaves one. */
#ifndef GORSE_FORMAT_BITS_H
#define GORSE_FORMAT_BITS_H

#include <string.h>

#include "gorse_draw.h"

/* One pixel after the other along a row. */
typedef struct gorse_bits_place {
    uint8_t *byte;
    uint8_t shift; /* of the pixel's lowest bit */
} gorse_bits_place;

static inline gorse_bits_place gorse_bits_at(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint8_t bits,
                                             uint8_t low_first) {
    uint32_t bit = (uint32_t)(uint16_t)((uint16_t)x - c->strip.x) * bits;
    gorse_bits_place at;
    at.byte = c->strip.pixels + (uint32_t)(uint16_t)((uint16_t)y - c->strip.y) * c->strip.stride + (bit >> 3);
    at.shift = (uint8_t)(low_first ? bit & 7u : 8u - bits - (bit & 7u));
    return at;
}

static inline void gorse_bits_next(gorse_bits_place *at, uint8_t bits, uint8_t low_first) {
    if (low_first ? at->shift + bits == 8 : at->shift == 0u) {
        at->byte++;
        at->shift = (uint8_t)(low_first ? 0u : 8u - bits);
    } else {
        at->shift = (uint8_t)(low_first ? at->shift + bits : at->shift - bits);
    }
}

static inline void gorse_bits_put(const gorse_bits_place *at, uint8_t value, uint8_t bits) {
    uint8_t whole = (uint8_t)((1u << bits) - 1u);
    *at->byte = (uint8_t)((*at->byte & (uint8_t) ~(uint8_t)(whole << at->shift)) | (uint8_t)(value << at->shift));
}

/* A grey mixes its level; a colour of a palette covers from half on. */
static inline uint8_t gorse_bits_mixed(const gorse_bits_place *at, uint8_t over, uint8_t part, uint8_t bits,
                                       uint8_t mixes) {
    uint8_t under = (uint8_t)((uint8_t)(*at->byte >> at->shift) & (uint8_t)((1u << bits) - 1u));
    if (!mixes)
        return part >= 128u ? over : under;
    return (uint8_t)(((uint16_t)(under * (255u - part)) + (uint16_t)((uint16_t)over * part) + 127u) / 255u);
}

static inline void gorse_fill_bits(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, uint32_t native,
                                   uint8_t bits, uint8_t low_first) {
    gorse_bits_place at = gorse_bits_at(c, x, y, bits, low_first);
    uint8_t first = (uint8_t)(low_first ? 0u : 8u - bits);
    uint8_t each = (uint8_t)(8u / bits);
    uint8_t byte = 0, i;
    for (i = 0; i < each; i++)
        byte = (uint8_t)((uint8_t)(byte << bits) | (uint8_t)native);
    for (; n != 0u && at.shift != first; n--) {
        gorse_bits_put(&at, (uint8_t)native, bits);
        gorse_bits_next(&at, bits, low_first);
    }
    memset(at.byte, byte, (size_t)n / each);
    at.byte += n / each;
    for (n = (uint16_t)(n % each); n != 0u; n--) {
        gorse_bits_put(&at, (uint8_t)native, bits);
        gorse_bits_next(&at, bits, low_first);
    }
}

static inline void gorse_copy_bits(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n,
                                   const uint8_t *pixels, const uint8_t *coverage, uint8_t step, uint8_t bits,
                                   uint8_t low_first, uint8_t mixes) {
    gorse_bits_place at = gorse_bits_at(c, x, y, bits, low_first);
    uint16_t i;
    for (i = 0; i < n; i++, pixels += step) {
        uint8_t part = coverage != 0 ? coverage[i] : 255u;
        if (part != 0u)
            gorse_bits_put(&at, part == 255u ? *pixels : gorse_bits_mixed(&at, *pixels, part, bits, mixes), bits);
        gorse_bits_next(&at, bits, low_first);
    }
}

#define GORSE_DEFINE_BITS_FORMAT(name, bits, low_first, mixes)                                                   \
    static void fill(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, uint32_t colour) {         \
        gorse_fill_bits(c, x, y, n, colour, bits, low_first);                                                    \
    }                                                                                                            \
    static void mask(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *coverage,   \
                     uint32_t colour) {                                                                          \
        uint8_t pixel = (uint8_t)colour;                                                                         \
        gorse_copy_bits(c, x, y, n, &pixel, coverage, 0, bits, low_first, mixes);                                \
    }                                                                                                            \
    static void copy(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *pixels,     \
                     const uint8_t *coverage) {                                                                  \
        gorse_copy_bits(c, x, y, n, pixels, coverage, 1, bits, low_first, mixes);                                \
    }                                                                                                            \
    const GORSE_ROM gorse_format name = {                                                                        \
        bits,   1,    8 / bits, (low_first ? GORSE_FORMAT_LOW_BIT_FIRST : 0) | (mixes ? GORSE_FORMAT_MIXES : 0), \
        native, fill, mask,     copy};

#endif
