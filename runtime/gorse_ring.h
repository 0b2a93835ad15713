/* SPDX-License-Identifier: MIT */
/* A ring, or a part of one, along which a value runs. Distances along it count from where it begins, clockwise, in
 * 1/64 degree. */
#ifndef GORSE_RING_H
#define GORSE_RING_H

#include "gorse_cover.h"
#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Angles in degrees, equal: all round; the rest in pixels. */
typedef struct gorse_ring_form {
    uint16_t from_angle, to_angle;
    uint8_t thickness;
    uint8_t ends; /* GORSE_ENDS_... */
    uint8_t border;
} gorse_ring_form;

/* The largest ring in a box. Returns how long it is. */
uint16_t gorse_measure_ring(const gorse_ring_form *form, const gorse_rect *box, gorse_sector *out);
/* The angle at a distance. */
uint16_t gorse_ring_angle(const gorse_sector *ring, uint16_t distance);
/* Marks of a box what lies between two distances: a box in each quarter. */
void gorse_mark_ring(gorse *g, const gorse_rect *box, const gorse_sector *ring, uint16_t from, uint16_t end);
/* Draws what lies between two distances, with the look's fill and border. */
void gorse_draw_ring_part(const gorse_canvas *c, const gorse_sector *ring, uint16_t from, uint16_t end,
                          const gorse_look *look);

#ifdef __cplusplus
}
#endif
#endif
