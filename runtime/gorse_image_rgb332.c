/* SPDX-License-Identifier: MIT */
#include "gorse_image_colours.h"

static gorse_colour colour_of(const uint8_t *p, uint8_t *coverage) {
    (void)coverage;
    return gorse_value_of((uint8_t)(*p >> 5), 7) << 16 | gorse_value_of((*p >> 2) & 7u, 7) << 8 |
           gorse_value_of(*p & 3u, 3);
}

GORSE_DEFINE_COLOUR_CONVERSION(gorse_convert_rgb332, 1)
