/* SPDX-License-Identifier: MIT */
/* The grey of a colour. */
#ifndef GORSE_GREY_H
#define GORSE_GREY_H

#include "gorse_draw.h"

/* 0 to 255, by the luma weights of ITU-R BT.601 in 256ths. */
static inline uint8_t gorse_grey(gorse_colour colour) {
    uint32_t red = (colour >> 16) & 255u;
    uint32_t green = (colour >> 8) & 255u;
    uint32_t blue = colour & 255u;
    return (uint8_t)((red * 77u + green * 150u + blue * 29u + 128u) >> 8);
}

#endif
