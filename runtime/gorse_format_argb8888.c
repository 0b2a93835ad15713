/* SPDX-License-Identifier: MIT */
/* 32-bit pixels: the bytes blue, green, red, alpha. What a panel shows is opaque. */
#include "gorse_format_channels.h"

static uint32_t native(const gorse_canvas *c, gorse_colour colour) {
    (void)c;
    return colour | 0xff000000u;
}

GORSE_DEFINE_CHANNEL_FORMAT(gorse_format_argb8888, 4)
