/* SPDX-License-Identifier: MIT */
/* Sixteen greys, the left pixel of two in the highest bits. */
#include "gorse_format_bits.h"
#include "gorse_grey.h"

static uint32_t native(const gorse_canvas *c, gorse_colour colour) {
    (void)c;
    return ((uint32_t)gorse_grey(colour) * 30u + 255u) / 510u;
}

GORSE_DEFINE_BITS_FORMAT(gorse_format_grey4, 4, 0, 1)
