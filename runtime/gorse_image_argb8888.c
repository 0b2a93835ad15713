/* SPDX-License-Identifier: MIT */
#include "gorse_image_colours.h"

static gorse_colour colour_of(const uint8_t *p, uint8_t *coverage) {
    *coverage = gorse_scale8(*coverage, p[3]);
    return (uint32_t)p[2] << 16 | (uint32_t)p[1] << 8 | p[0];
}

GORSE_DEFINE_COLOUR_CONVERSION(gorse_convert_argb8888, 4)
