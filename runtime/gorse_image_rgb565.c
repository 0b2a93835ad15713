/* SPDX-License-Identifier: MIT */
#include "gorse_image_colours.h"

static gorse_colour colour_of(const uint8_t *p, uint8_t *coverage) {
    uint8_t low = p[0], high = p[1];
    (void)coverage;
    return gorse_value_of((uint8_t)(high >> 3), 31) << 16 |
           gorse_value_of((uint8_t)((uint8_t)((high & 7u) << 3) | low >> 5), 63) << 8 | gorse_value_of(low & 31u, 31);
}

GORSE_DEFINE_COLOUR_CONVERSION(gorse_convert_rgb565, 2)
