/* SPDX-License-Identifier: MIT */
/* The arithmetic of 16-bit pixels, shared by both byte orders. A pixel here has red on top. */
#ifndef GORSE_RGB565_PIXELS_H
#define GORSE_RGB565_PIXELS_H

#include <stdint.h>

/* The nearest of 32 or 64 levels: (v * 31 + 127) / 255 without a division. */
static inline uint16_t gorse_rgb565(uint32_t colour) {
    uint32_t red = (colour >> 16) & 255u;
    uint32_t green = (colour >> 8) & 255u;
    uint32_t blue = colour & 255u;
    red = (red * 249u + 1014u) >> 11;
    green = (green * 253u + 505u) >> 10;
    blue = (blue * 249u + 1014u) >> 11;
    return (uint16_t)((red << 11) | (green << 5) | blue);
}

/* Green apart from red and blue, so that one multiplication serves all three. */
static inline uint32_t gorse_spread565(uint16_t pixel) {
    return ((uint32_t)pixel | ((uint32_t)pixel << 16)) & 0x07e0f81fu;
}

/* `over` (spread) mixed over `under` by coverage 0 to 255, taken as 0 to 32 parts of 32. */
static inline uint16_t gorse_mix565(uint16_t under, uint32_t over, uint8_t coverage) {
    uint32_t part = ((uint32_t)coverage + 4u) >> 3;
    uint32_t below = gorse_spread565(under);
    uint32_t mixed = ((over * part + below * (32u - part) + 0x02008010u) >> 5) & 0x07e0f81fu;
    return (uint16_t)(mixed | (mixed >> 16));
}

#endif
