/* SPDX-License-Identifier: MIT */
/* The functions of a 16-bit pixel format, for either byte order. `swap` is a constant, so the compiler leaves one. */
#ifndef GORSE_FORMAT_WORDS_H
#define GORSE_FORMAT_WORDS_H

#include <string.h>

#include "gorse_draw.h"
#include "gorse_rgb565_pixels.h"

#if defined(__BYTE_ORDER__) && defined(__ORDER_BIG_ENDIAN__) && __BYTE_ORDER__ == __ORDER_BIG_ENDIAN__
#define GORSE_WORDS_ARE_BIG 1
#else
#define GORSE_WORDS_ARE_BIG 0
#endif

static inline uint16_t gorse_word(uint16_t pixel, uint8_t swap) {
    return swap ? (uint16_t)((uint32_t)pixel << 8 | (uint32_t)pixel >> 8) : pixel;
}

static inline uint16_t *gorse_words_at(const gorse_canvas *c, int16_t x, int16_t y) {
    uint32_t row = (uint32_t)(uint16_t)(y - c->top) * c->stride;
    return (uint16_t *)(void *)(c->pixels + row + (uint32_t)(uint16_t)(x - c->left) * 2u);
}

static inline void gorse_fill_words(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, uint32_t native) {
    uint16_t *to = gorse_words_at(c, x, y);
    uint16_t done;
    if (n < 16u) {
        for (done = 0; done < n; done++)
            to[done] = (uint16_t)native;
        return;
    }
    for (done = 0; done < 8u; done++)
        to[done] = (uint16_t)native;
    while (done < n) {
        uint16_t more = (uint16_t)(n - done) < done ? (uint16_t)(n - done) : done;
        memcpy(to + done, to, (size_t)more * 2u);
        done = (uint16_t)(done + more);
    }
}

static inline void gorse_mask_words(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, const uint8_t *coverage,
                                    uint32_t native, uint8_t swap) {
    uint16_t *to = gorse_words_at(c, x, y);
    uint32_t over = gorse_spread565(gorse_word((uint16_t)native, swap));
    uint16_t quads = (uint16_t)(n >> 2);
    uint8_t rest = (uint8_t)(n & 3u);
    for (; quads != 0u; quads--, to += 4, coverage += 4) {
        uint32_t four;
        uint8_t i;
        memcpy(&four, coverage, 4);
        if (four == 0u)
            continue;
        if (four == 0xffffffffu) {
            to[0] = to[1] = to[2] = to[3] = (uint16_t)native;
            continue;
        }
        for (i = 0; i < 4u; i++)
            to[i] = gorse_word(gorse_mix565(gorse_word(to[i], swap), over, coverage[i]), swap);
    }
    for (; rest != 0u; rest--, to++, coverage++)
        *to = gorse_word(gorse_mix565(gorse_word(*to, swap), over, *coverage), swap);
}

static inline void gorse_copy_words(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, const uint8_t *pixels,
                                    const uint8_t *coverage, uint8_t swap) {
    uint16_t *to = gorse_words_at(c, x, y);
    uint16_t i;
    if (coverage == 0) {
        memcpy(to, pixels, (size_t)n * 2u);
        return;
    }
    for (i = 0; i < n; i++) {
        uint16_t pixel;
        if (coverage[i] == 0u)
            continue;
        memcpy(&pixel, pixels + (size_t)i * 2u, 2);
        if (coverage[i] != 255u)
            pixel = gorse_word(
                gorse_mix565(gorse_word(to[i], swap), gorse_spread565(gorse_word(pixel, swap)), coverage[i]), swap);
        to[i] = pixel;
    }
}

#define GORSE_DEFINE_WORD_FORMAT(name, swap, order)                                                                  \
    static uint32_t native(const gorse_canvas *c, gorse_colour colour) {                                             \
        (void)c;                                                                                                     \
        return gorse_word(gorse_rgb565(colour), swap);                                                               \
    }                                                                                                                \
    static void mask(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, const uint8_t *coverage,               \
                     uint32_t colour) {                                                                              \
        gorse_mask_words(c, x, y, n, coverage, colour, swap);                                                        \
    }                                                                                                                \
    static void copy(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, const uint8_t *pixels,                 \
                     const uint8_t *coverage) {                                                                      \
        gorse_copy_words(c, x, y, n, pixels, coverage, swap);                                                        \
    }                                                                                                                \
    const GORSE_ROM gorse_format name = {16, 1, 1, order, native, gorse_fill_words, mask, copy};

#endif
