/* SPDX-License-Identifier: MIT */
/* The functions of a pixel format with a byte a channel. `bytes` and `wide` are constants, so the compiler leaves one.
 */
#ifndef GORSE_FORMAT_CHANNELS_H
#define GORSE_FORMAT_CHANNELS_H

#include <string.h>

#include "gorse_draw.h"

/* (under * (255 - part) + over * part) / 255, rounded. */
static inline uint8_t gorse_mix_channel(uint8_t under, uint8_t over, uint8_t part) {
    uint16_t sum = (uint16_t)((uint32_t)under * (255u - part) + (uint32_t)over * part + 128u);
    return (uint8_t)((uint16_t)(sum + (sum >> 8)) >> 8);
}

static inline uint8_t *gorse_channels_at(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint8_t bytes) {
    uint32_t row = (uint32_t)(uint16_t)((uint16_t)y - c->strip.y) * c->strip.stride;
    return c->strip.pixels + row + (uint32_t)(uint16_t)((uint16_t)x - c->strip.x) * bytes;
}

static inline void gorse_fill_channels(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, uint32_t native,
                                       uint8_t bytes) {
    uint8_t *to = gorse_channels_at(c, x, y, bytes);
    uint16_t done = 1;
    uint8_t i;
    for (i = 0; i < bytes; i++)
        to[i] = (uint8_t)(native >> (8u * i));
    while (done < n) {
        uint16_t more = (uint16_t)(n - done) < done ? (uint16_t)(n - done) : done;
        memcpy(to + (size_t)done * bytes, to, (size_t)more * bytes);
        done = (uint16_t)(done + more);
    }
}

/* A fourth byte is an alpha, which is whole on a panel already. */
static inline void gorse_mask_channels(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n,
                                       const uint8_t *coverage, uint32_t native, uint8_t bytes) {
    uint8_t *to = gorse_channels_at(c, x, y, bytes);
    uint16_t i;
    for (i = 0; i < n; i++, to += bytes) {
        uint8_t part = coverage[i];
        if (part == 0u)
            continue;
        to[0] = gorse_mix_channel(to[0], (uint8_t)native, part);
        to[1] = gorse_mix_channel(to[1], (uint8_t)(native >> 8), part);
        to[2] = gorse_mix_channel(to[2], (uint8_t)(native >> 16), part);
    }
}

static inline void gorse_copy_channels(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n,
                                       const uint8_t *pixels, const uint8_t *coverage, uint8_t bytes) {
    uint8_t *to = gorse_channels_at(c, x, y, bytes);
    uint16_t i;
    if (coverage == 0) {
        memcpy(to, pixels, (size_t)n * bytes);
        return;
    }
    for (i = 0; i < n; i++, to += bytes, pixels += bytes) {
        uint8_t part = coverage[i];
        if (part == 0u)
            continue;
        to[0] = gorse_mix_channel(to[0], pixels[0], part);
        to[1] = gorse_mix_channel(to[1], pixels[1], part);
        to[2] = gorse_mix_channel(to[2], pixels[2], part);
    }
}

#define GORSE_DEFINE_CHANNEL_FORMAT(name, bytes)                                                               \
    static void fill(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, uint32_t colour) {       \
        gorse_fill_channels(c, x, y, n, colour, bytes);                                                        \
    }                                                                                                          \
    static void mask(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *coverage, \
                     uint32_t colour) {                                                                        \
        gorse_mask_channels(c, x, y, n, coverage, colour, bytes);                                              \
    }                                                                                                          \
    static void copy(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *pixels,   \
                     const uint8_t *coverage) {                                                                \
        gorse_copy_channels(c, x, y, n, pixels, coverage, bytes);                                              \
    }                                                                                                          \
    const GORSE_ROM gorse_format name = {bytes * 8, 1, 1, GORSE_FORMAT_MIXES, native, fill, mask, copy};

#endif
