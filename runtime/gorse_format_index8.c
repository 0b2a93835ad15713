/* SPDX-License-Identifier: MIT */
/* A byte a pixel that counts into the panel's palette. */
#include "gorse_format_channels.h"
#include "gorse_format_bytes.h"
#include "gorse_palette.h"

static uint32_t native(const gorse_canvas *c, gorse_colour colour) { return gorse_palette_nearest(c, colour); }

static uint8_t mix(const gorse_canvas *c, uint8_t under, uint8_t over, uint8_t part) {
    gorse_colour below = gorse_palette_colour(c, under), above = gorse_palette_colour(c, over), mixed = 0;
    uint8_t shift;
    for (shift = 0; shift < 24u; shift = (uint8_t)(shift + 8u))
        mixed |= (gorse_colour)gorse_mix_channel((uint8_t)(below >> shift), (uint8_t)(above >> shift), part) << shift;
    return (uint8_t)gorse_palette_nearest(c, mixed);
}

GORSE_DEFINE_BYTE_FORMAT(gorse_format_index8)
