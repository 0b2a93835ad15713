/* SPDX-License-Identifier: MIT */
/* Where the pixels of one byte are, and how they are filled and copied; each format mixes in its own way. */
#ifndef GORSE_FORMAT_BYTES_H
#define GORSE_FORMAT_BYTES_H

#include <string.h>

#include "gorse_draw.h"

static inline uint8_t *gorse_byte_at(const gorse_canvas *c, gorse_coord x, gorse_coord y) {
    return c->strip.pixels + (uint32_t)(uint16_t)((uint16_t)y - c->strip.y) * c->strip.stride +
           (uint16_t)((uint16_t)x - c->strip.x);
}

static inline void gorse_fill_bytes(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, uint32_t native) {
    memset(gorse_byte_at(c, x, y), (uint8_t)native, n);
}

/* `mix(c, under, over, part)` is a pixel of the format. */
#define GORSE_DEFINE_BYTE_FORMAT(name)                                                                         \
    static void mask(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *coverage, \
                     uint32_t colour) {                                                                        \
        uint8_t *to = gorse_byte_at(c, x, y);                                                                  \
        uint16_t i;                                                                                            \
        for (i = 0; i < n; i++)                                                                                \
            if (coverage[i] != 0u)                                                                             \
                to[i] = coverage[i] == 255u ? (uint8_t)colour : mix(c, to[i], (uint8_t)colour, coverage[i]);   \
    }                                                                                                          \
    static void copy(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *pixels,   \
                     const uint8_t *coverage) {                                                                \
        uint8_t *to = gorse_byte_at(c, x, y);                                                                  \
        uint16_t i;                                                                                            \
        if (coverage == 0) {                                                                                   \
            memcpy(to, pixels, n);                                                                             \
            return;                                                                                            \
        }                                                                                                      \
        for (i = 0; i < n; i++)                                                                                \
            if (coverage[i] != 0u)                                                                             \
                to[i] = coverage[i] == 255u ? pixels[i] : mix(c, to[i], pixels[i], coverage[i]);               \
    }                                                                                                          \
    const GORSE_ROM gorse_format name = {8, 1, 1, GORSE_FORMAT_MIXES, native, gorse_fill_bytes, mask, copy};

#endif
