/* SPDX-License-Identifier: MIT */
/* The functions of a 16-bit pixel format, for either byte order. `swap` is a constant, so the compiler leaves one. */
#ifndef GORSE_FORMAT_WORDS_H
#define GORSE_FORMAT_WORDS_H

#include <string.h>

#include "gorse_draw.h"
#include "gorse_rgb565_pixels.h"

static inline uint16_t gorse_word(uint16_t pixel, uint8_t swap) {
    return swap ? (uint16_t)((uint32_t)pixel << 8 | (uint32_t)pixel >> 8) : pixel;
}

static GORSE_OWN_FRAME uint16_t *gorse_words_at(const gorse_canvas *c, gorse_coord x, gorse_coord y) {
    uint32_t row = (uint32_t)(uint16_t)((uint16_t)y - c->strip.y) * c->strip.stride;
    return (uint16_t *)(void *)(c->strip.pixels + row + (uint32_t)(uint16_t)((uint16_t)x - c->strip.x) * 2u);
}

static inline void gorse_fill_words(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, uint32_t native) {
    uint16_t *to = gorse_words_at(c, x, y);
    uint16_t word = (uint16_t)native;
    for (; n != 0u; n--)
        *to++ = word;
}

/* `over` spread by gorse_spread565. */
static inline uint16_t gorse_mixed_word(uint16_t under, uint32_t over, uint8_t coverage, uint8_t swap) {
    return gorse_word(gorse_mix565(gorse_word(under, swap), over, coverage), swap);
}

static inline void gorse_mix_words(uint16_t *to, uint32_t over, const uint8_t *coverage, uint8_t n, uint8_t swap) {
    uint8_t i;
    for (i = 0; i < n; i++)
        to[i] = gorse_mixed_word(to[i], over, coverage[i], swap);
}

/* Four at a time, as they often are all covered or all not. */
static inline void gorse_mask_words(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n,
                                    const uint8_t *coverage, uint32_t native, uint8_t swap) {
    uint16_t *to = gorse_words_at(c, x, y);
    uint32_t over = gorse_spread565(gorse_word((uint16_t)native, swap));
    while (n != 0u) {
        uint32_t four = 1; /* neither all covered nor all uncovered */
        uint8_t part = 4;
        if (n >= 4u)
            memcpy(&four, coverage, 4);
        else
            part = (uint8_t)n;
        if (four == 0xffffffffu)
            to[0] = to[1] = to[2] = to[3] = (uint16_t)native;
#if GORSE_FAST
        /* As many as the compiler knows of. */
        else if (four != 0u && part == 4u)
            gorse_mix_words(to, over, coverage, 4, swap);
#endif
        else if (four != 0u)
            gorse_mix_words(to, over, coverage, part, swap);
        n = (uint16_t)(n - part);
        to += part;
        coverage += part;
    }
}

static inline void gorse_copy_words(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n,
                                    const uint8_t *pixels, const uint8_t *coverage, uint8_t swap) {
    uint16_t *to = gorse_words_at(c, x, y);
    if (coverage == 0) {
        memcpy(to, pixels, (size_t)n * 2u);
        return;
    }
    for (; n != 0u; n--, to++, coverage++, pixels += 2) {
        uint16_t pixel;
#if GORSE_FAST
        uint64_t eight = 1; /* neither all covered nor all uncovered */
        if (n > 8u)
            memcpy(&eight, coverage, 8);
        if (eight + 1u < 2u) {
            if (eight != 0u)
                memcpy(to, pixels, 16);
            n = (uint16_t)(n - 7u);
            to += 7;
            coverage += 7;
            pixels += 14;
            continue;
        }
#endif
        memcpy(&pixel, pixels, 2);
        if (*coverage == 255u)
            *to = pixel;
        else if (*coverage != 0u)
            *to = gorse_mixed_word(*to, gorse_spread565(gorse_word(pixel, swap)), *coverage, swap);
    }
}

#define GORSE_DEFINE_WORD_FORMAT(name, swap, order)                                                            \
    static uint32_t native(const gorse_canvas *c, gorse_colour colour) {                                       \
        (void)c;                                                                                               \
        return gorse_word(gorse_rgb565(colour), swap);                                                         \
    }                                                                                                          \
    static void mask(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *coverage, \
                     uint32_t colour) {                                                                        \
        gorse_mask_words(c, x, y, n, coverage, colour, swap);                                                  \
    }                                                                                                          \
    static void copy(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *pixels,   \
                     const uint8_t *coverage) {                                                                \
        gorse_copy_words(c, x, y, n, pixels, coverage, swap);                                                  \
    }                                                                                                          \
    const GORSE_ROM gorse_format name = {16, 1, 1, (order) | GORSE_FORMAT_MIXES, native, gorse_fill_words, mask, copy};

#endif
