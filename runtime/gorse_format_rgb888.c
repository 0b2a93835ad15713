/* SPDX-License-Identifier: MIT */
/* 24-bit pixels: the bytes red, green, blue. */
#include "gorse_format_channels.h"

static uint32_t native(const gorse_canvas *c, gorse_colour colour) {
    (void)c;
    return (colour >> 16 & 0xffu) | (colour & 0xff00u) | (colour & 0xffu) << 16;
}

GORSE_DEFINE_CHANNEL_FORMAT(gorse_format_rgb888, 3)
