/* SPDX-License-Identifier: MIT */
/* Sixteen colours of the panel's palette, the leftmost pixel of a byte in the highest bits. */
#include "gorse_format_bits.h"
#include "gorse_palette.h"

static uint32_t native(const gorse_canvas *c, gorse_colour colour) { return gorse_palette_nearest(c, colour); }

GORSE_DEFINE_BITS_FORMAT(gorse_format_index4, 4, 0, 0)
