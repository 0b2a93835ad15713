/* SPDX-License-Identifier: MIT */
/* The nearest colour of a panel's palette. */
#ifndef GORSE_PALETTE_H
#define GORSE_PALETTE_H

#include "gorse_draw.h"

/* The colour of an entry; black beyond the last. */
gorse_colour gorse_palette_colour(const gorse_canvas *c, uint8_t entry);
/* The entry with the smallest sum of squared channel differences, the first of equals. */
uint32_t gorse_palette_nearest(const gorse_canvas *c, gorse_colour colour);

#endif
