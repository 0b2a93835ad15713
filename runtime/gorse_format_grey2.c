/* SPDX-License-Identifier: MIT */
/* Four greys, the leftmost of four pixels in the highest bits. */
#include "gorse_format_bits.h"
#include "gorse_grey.h"

static uint32_t native(const gorse_canvas *c, gorse_colour colour) {
    (void)c;
    return ((uint32_t)gorse_grey(colour) * 6u + 255u) / 510u;
}

GORSE_DEFINE_BITS_FORMAT(gorse_format_grey2, 2, 0, 1)
