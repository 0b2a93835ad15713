/* SPDX-License-Identifier: MIT */
#include "gorse_image_colours.h"

static gorse_colour colour_of(const uint8_t *p, uint8_t *coverage) {
    (void)coverage;
    return (uint32_t)p[0] << 16 | (uint32_t)p[1] << 8 | p[2];
}

GORSE_DEFINE_COLOUR_CONVERSION(gorse_convert_rgb888, 3)
