/* SPDX-License-Identifier: MIT */
/* Upright bytes, lowest bit on top, a page of 8 rows after the other. */
#include "gorse_draw.h"

static const uint8_t *read(const gorse_image *image, uint16_t x, uint16_t y, uint16_t n, uint8_t *room) {
    const GORSE_ROM uint8_t *from = image->pixels + (uint32_t)(y >> 3) * image->width + x;
    uint8_t bit = (uint8_t)(1u << (y & 7u));
    uint16_t i;
    for (i = 0; i < n; i++)
        room[i] = (from[i] & bit) != 0u ? 1u : 0u;
    return room;
}

const GORSE_ROM gorse_image_format gorse_image_page1 = {1, read};
