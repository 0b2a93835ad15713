/* SPDX-License-Identifier: MIT */
/* How much of each pixel a shape covers: the exact area inside its outline, from the outline's lines and arcs. */
#ifndef GORSE_COVER_H
#define GORSE_COVER_H

#include "gorse_draw.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Pixels of a row that are worked on at a time. */
#if defined(__AVR__)
#define GORSE_COVER_CHUNK 8
#else
#define GORSE_COVER_CHUNK 20
#endif

/* A point in 1/64 pixel, on the panel. */
typedef struct gorse_fine {
    int32_t x, y;
} gorse_fine;
#define GORSE_FINE 64

/* A part of one row while the outline goes through it. What is added depends on the outline and the pixel only, not on
 * where the part begins. */
typedef struct gorse_cover {
    int32_t sums[GORSE_COVER_CHUNK + 1]; /* area in 1/2^20 pixel, each as its difference from the pixel before */
    gorse_coord x, y;                    /* the first pixel */
} gorse_cover;

/* An ellipse. */
typedef struct gorse_ellipse {
    gorse_fine centre;
    gorse_fine radius; /* across and down */
} gorse_ellipse;

/* Which way an outline goes round. What is on one outline and its hole goes opposite ways; outlines that go the same
 * way are joined. */
enum { GORSE_CLOCKWISE = 1, GORSE_ANTICLOCKWISE = -1 };

/* Adds a line of the outline. */
void gorse_cover_line(gorse_cover *to, const gorse_fine *from, const gorse_fine *end);
/* Adds the part of an ellipse that goes clockwise from one angle to another, in degrees, 0 to 359; nothing if they are
 * equal. `way` GORSE_ANTICLOCKWISE goes it backwards, from `end` to `from`. It ends in the points of gorse_point_at().
 */
void gorse_cover_arc(gorse_cover *to, const gorse_ellipse *of, uint16_t from, uint16_t end, int_fast8_t way);
/* Adds all of an ellipse. */
void gorse_cover_ellipse(gorse_cover *to, const gorse_ellipse *of, int_fast8_t way);

/* Begins a part of a row. */
void gorse_cover_begin(gorse_cover *cover, gorse_coord x, gorse_coord y);
/* Returns the coverage of the part's pixels, whichever way round the outline goes. It is written over the sums. */
uint8_t *gorse_cover_end(gorse_cover *cover);

/* The point of an ellipse at an angle in degrees, 0 to 359: 0 is at the top, clockwise. */
void gorse_point_at(const gorse_ellipse *of, uint16_t degrees, gorse_fine *point);

#ifdef __cplusplus
}
#endif
#endif
