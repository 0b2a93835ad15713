/* SPDX-License-Identifier: MIT */
/* One bit a pixel, the leftmost of eight in the lowest bit. A set bit is a lit pixel. */
#include "gorse_format_bits.h"
#include "gorse_grey.h"

static uint32_t native(const gorse_canvas *c, gorse_colour colour) {
    (void)c;
    return gorse_grey(colour) >> 7;
}

GORSE_DEFINE_BITS_FORMAT(gorse_format_row1_lsb, 1, 1, 0)
