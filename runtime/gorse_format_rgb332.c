/* SPDX-License-Identifier: MIT */
/* A byte a pixel: three bits of red on top, three of green, two of blue. */
#include "gorse_format_bytes.h"

/* The nearest of `max` + 1 levels. */
static uint8_t level(gorse_colour colour, uint8_t shift, uint8_t max) {
    return (uint8_t)((((colour >> shift) & 255u) * max * 2u + 255u) / 510u);
}

static uint32_t native(const gorse_canvas *c, gorse_colour colour) {
    (void)c;
    return (uint32_t)level(colour, 16, 7) << 5 | (uint32_t)level(colour, 8, 7) << 2 | level(colour, 0, 3);
}

static uint8_t mix_level(uint8_t under, uint8_t over, uint8_t part) {
    return (uint8_t)(((uint16_t)(under * (255u - part)) + (uint16_t)((uint16_t)over * part) + 127u) / 255u);
}

static uint8_t mix(const gorse_canvas *c, uint8_t under, uint8_t over, uint8_t part) {
    uint8_t red = mix_level(under >> 5, over >> 5, part);
    uint8_t green = mix_level((under >> 2) & 7u, (over >> 2) & 7u, part);
    uint8_t blue = mix_level(under & 3u, over & 3u, part);
    (void)c;
    return (uint8_t)((uint32_t)red << 5 | (uint32_t)green << 2 | blue);
}

GORSE_DEFINE_BYTE_FORMAT(gorse_format_rgb332)
