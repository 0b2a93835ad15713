/* SPDX-License-Identifier: MIT */
/* Strokes with four corners: needles, hands and ticks. */
#ifndef GORSE_BLADE_H
#define GORSE_BLADE_H

#include "gorse_cover.h"
#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Four corners, clockwise. */
typedef struct gorse_blade {
    gorse_fine corners[4];
} gorse_blade;

/* A hand that turns round a point and ends in points at both ends. Lengths in 1/64 pixel. */
typedef struct gorse_hand {
    gorse_fine pivot;
    int32_t length, tail, half; /* to the tip, to the other end, and half its width at the pivot */
    uint16_t angle;
} gorse_hand;

/* The point so far from another, in 1/64 pixel. */
void gorse_polar(const gorse_fine *from, int32_t radius, uint16_t angle, gorse_fine *out);

static inline uint16_t gorse_quarters_on(uint16_t angle, uint8_t quarters) {
    return (uint16_t)(((uint32_t)angle + (uint32_t)quarters * (GORSE_TURN / 4u)) % GORSE_TURN);
}

void gorse_draw_blade(const gorse_canvas *c, const gorse_blade *blade, gorse_colour colour);
void gorse_draw_hand(const gorse_canvas *c, const gorse_hand *hand, gorse_colour colour);
/* A disc on the pivot, so many 1/64 pixels wide to each side, as far as the box goes. */
void gorse_draw_hub(const gorse_canvas *c, const gorse_fine *pivot, int32_t radius, const gorse_rect *box,
                    gorse_colour colour);
/* Marks what a hand covers of a box: along it in four boxes, so that a slanted one does not mark all around it. */
void gorse_mark_hand(gorse *g, const gorse_hand *hand, const gorse_rect *box);

#ifdef __cplusplus
}
#endif
#endif
