/* SPDX-License-Identifier: MIT */
/* Pixels that are colours of another form than the panel's. */
#ifndef GORSE_IMAGE_COLOURS_H
#define GORSE_IMAGE_COLOURS_H

#include <string.h>

#include "gorse_draw.h"

/* A channel of `max` + 1 levels as the nearest of 256. */
static inline uint32_t gorse_value_of(uint8_t level, uint8_t max) {
    return ((uint32_t)level * 510u + max) / (2u * max);
}

/* Writes a pixel of the panel as its row form has it. */
static inline void gorse_store_pixel(uint8_t *to, uint32_t native, uint8_t bytes) {
    uint8_t i;
    if (bytes == 2u) {
        uint16_t word = (uint16_t)native;
        memcpy(to, &word, 2);
        return;
    }
    for (i = 0; i < bytes; i++)
        to[i] = (uint8_t)(native >> (8u * i));
}

static inline void gorse_store_native(const gorse_canvas *c, uint8_t *to, gorse_colour colour, uint8_t bytes) {
    gorse_store_pixel(to, c->format->native(c, colour), bytes);
}

/* In place: from the end on where a pixel becomes longer, so that nothing is written over before it is read. */
#define GORSE_DEFINE_COLOUR_CONVERSION(name, from_bytes)                                                      \
    void name(const gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels, uint16_t n, \
              uint8_t *coverage) {                                                                            \
        uint8_t bytes = (uint8_t)(c->format->bits < 8u ? 1u : c->format->bits >> 3);                          \
        uint16_t i;                                                                                           \
        (void)source;                                                                                         \
        for (i = 0; i < n; i++) {                                                                             \
            uint16_t at = bytes > (from_bytes) ? (uint16_t)(n - 1u - i) : i;                                  \
            gorse_colour colour = colour_of(pixels + (uint16_t)(at * (from_bytes)), coverage + at);           \
            gorse_store_native(c, pixels + (uint16_t)(at * bytes), colour, bytes);                            \
        }                                                                                                     \
    }

#endif
