/* SPDX-License-Identifier: MIT */
#include "gorse_image_colours.h"

static gorse_colour colour_of(const uint8_t *p, uint8_t *coverage) {
    (void)coverage;
    return *p * 0x010101u;
}

GORSE_DEFINE_COLOUR_CONVERSION(gorse_convert_grey8, 1)
