/* SPDX-License-Identifier: MIT */
/* 256 greys, a byte a pixel. */
#include "gorse_format_bytes.h"
#include "gorse_grey.h"

static uint32_t native(const gorse_canvas *c, gorse_colour colour) {
    (void)c;
    return gorse_grey(colour);
}

static uint8_t mix(const gorse_canvas *c, uint8_t under, uint8_t over, uint8_t part) {
    (void)c;
    return (uint8_t)(((uint32_t)under * (255u - part) + (uint32_t)over * part + 127u) / 255u);
}

GORSE_DEFINE_BYTE_FORMAT(gorse_format_grey8)
