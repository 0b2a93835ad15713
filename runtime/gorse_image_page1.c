/* SPDX-License-Identifier: MIT */
/* Upright bytes, lowest bit on top, a page of 8 rows after the other. */
#include "gorse_draw.h"

static void spread(const uint8_t *bytes, uint8_t skip, uint16_t n, uint8_t *out) {
    while (n-- != 0u)
        *out++ = (uint8_t)((uint8_t)(*bytes++ >> skip) & 1u);
}

const GORSE_ROM gorse_image_format gorse_image_page1 = {1, 8, gorse_get_image_bits, spread};
