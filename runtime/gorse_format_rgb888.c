/* SPDX-License-Identifier: MIT */
/* 24-bit pixels: the bytes red, green, blue. */
#include <string.h>

#include "gorse_draw.h"

static uint8_t *pixels_at(const gorse_canvas *c, int16_t x, int16_t y) {
    uint32_t row = (uint32_t)(uint16_t)(y - c->top) * c->stride;
    return c->pixels + row + (uint32_t)(uint16_t)(x - c->left) * 3u;
}

static uint32_t native(gorse_colour colour) { return colour & 0xffffffu; }

static void fill(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, uint32_t colour) {
    uint8_t *to = pixels_at(c, x, y);
    uint16_t done = 1;
    to[0] = (uint8_t)(colour >> 16);
    to[1] = (uint8_t)(colour >> 8);
    to[2] = (uint8_t)colour;
    while (done < n) {
        uint16_t more = (uint16_t)(n - done) < done ? (uint16_t)(n - done) : done;
        memcpy(to + (size_t)done * 3u, to, (size_t)more * 3u);
        done = (uint16_t)(done + more);
    }
}

/* (under * (255 - part) + over * part) / 255, rounded. */
static uint8_t mix(uint8_t under, uint8_t over, uint8_t part) {
    uint16_t sum = (uint16_t)((uint32_t)under * (255u - part) + (uint32_t)over * part + 128u);
    return (uint8_t)((uint16_t)(sum + (sum >> 8)) >> 8);
}

static void mask(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, const uint8_t *coverage, uint32_t colour) {
    uint8_t *to = pixels_at(c, x, y);
    uint8_t red = (uint8_t)(colour >> 16), green = (uint8_t)(colour >> 8), blue = (uint8_t)colour;
    uint16_t i;
    for (i = 0; i < n; i++, to += 3) {
        uint8_t part = coverage[i];
        if (part == 0u)
            continue;
        to[0] = mix(to[0], red, part);
        to[1] = mix(to[1], green, part);
        to[2] = mix(to[2], blue, part);
    }
}

static void copy(const gorse_canvas *c, int16_t x, int16_t y, uint16_t n, const uint8_t *pixels,
                 const uint8_t *coverage) {
    uint8_t *to = pixels_at(c, x, y);
    uint16_t i;
    if (coverage == 0) {
        memcpy(to, pixels, (size_t)n * 3u);
        return;
    }
    for (i = 0; i < n; i++, to += 3, pixels += 3) {
        uint8_t part = coverage[i];
        if (part == 0u)
            continue;
        to[0] = mix(to[0], pixels[0], part);
        to[1] = mix(to[1], pixels[1], part);
        to[2] = mix(to[2], pixels[2], part);
    }
}

const GORSE_ROM gorse_format gorse_format_rgb888 = {24, 1, native, fill, mask, copy};
