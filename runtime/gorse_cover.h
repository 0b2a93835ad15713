/* SPDX-License-Identifier: MIT */
/* How much of each pixel a shape covers: the exact area inside its outline, from the outline's lines and arcs. */
#ifndef GORSE_COVER_H
#define GORSE_COVER_H

#include "gorse_draw.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Pixels of a row that are worked on at most at a time. Each time costs the outline once more; the stack of small
 * targets is short. */
#if defined(__AVR__)
#define GORSE_COVER_CHUNK 8
#elif defined(__arm__)
#define GORSE_COVER_CHUNK 18
#else
#define GORSE_COVER_CHUNK 256
#endif

/* Bits that are kept together of those that say which sums are not 0. */
#if GORSE_FAST
#define GORSE_COVER_BITS 64u
#else
#define GORSE_COVER_BITS 8u
#endif

/* A point in 1/64 pixel, on the panel. */
typedef struct gorse_fine {
    int32_t x, y;
} gorse_fine;
#define GORSE_FINE 64

/* The pixel that a coordinate in 1/64 pixel is in; clamped to 16 bits. */
static inline gorse_coord gorse_pixel_of(int32_t fine) {
    int32_t pixel = fine < 0 ? -((GORSE_FINE - 1 - fine) / GORSE_FINE) : fine / GORSE_FINE;
    return (gorse_coord)(pixel < -32768 ? -32768 : pixel > 32767 ? 32767 : pixel);
}

/* A part of one row while the outline goes through it. What is added depends on the outline and the pixel only, not on
 * where the part begins. */
typedef struct gorse_cover {
    int32_t sums[GORSE_COVER_CHUNK + 1]; /* area in 1/2^20 pixel, each as its difference from the pixel before */
    /* A bit for each sum that is not 0. */
    uint8_t touched[(GORSE_COVER_CHUNK + GORSE_COVER_BITS) / GORSE_COVER_BITS * (GORSE_COVER_BITS / 8u)];
    gorse_coord x, y; /* the first pixel */
    uint16_t n;       /* pixels */
    uint8_t crisp;    /* 1: pixels are covered wholly or not at all, by where their middle is */
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
/* Angles are in 1/64 degree, below GORSE_TURN: 0 is at the top, clockwise. */
#define GORSE_DEGREE 64u
#define GORSE_TURN (360u * GORSE_DEGREE)

/* Adds the part of an ellipse between two of its points, clockwise and at most half of it, to a third point and back;
 * `way` GORSE_ANTICLOCKWISE goes it backwards. What rounding left beyond the ellipse is drawn in. */
void gorse_cover_wedge(gorse_cover *to, const gorse_ellipse *of, gorse_fine from, gorse_fine end,
                       const gorse_fine *corner, int_fast8_t way);
/* The same without a third point. */
void gorse_cover_cap(gorse_cover *to, const gorse_ellipse *of, gorse_fine from, gorse_fine end, int_fast8_t way);
/* Adds all of an ellipse. */
void gorse_cover_ellipse(gorse_cover *to, const gorse_ellipse *of, int_fast8_t way);
/* Adds what is between two ellipses of the same middle and two angles, clockwise; equal ones: all round. */
void gorse_cover_ring(gorse_cover *to, const gorse_ellipse *outer, const gorse_ellipse *inner, uint16_t from,
                      uint16_t end);

/* Begins a part of a row of `n` pixels, at most GORSE_COVER_CHUNK. */
void gorse_cover_begin(gorse_cover *cover, uint8_t crisp, gorse_coord x, gorse_coord y, uint16_t n);
/* 1 if something that lies between these corners may cover a pixel of the part. */
uint8_t gorse_cover_meets(const gorse_cover *cover, const gorse_fine *upper_left, const gorse_fine *lower_right);
/* Returns the coverage of the part's pixels, whichever way round the outline goes. It is written over the sums. */
uint8_t *gorse_cover_end(gorse_cover *cover);
/* Mixes a colour over the part's pixels, those between edges as a whole. */
void gorse_cover_paint(gorse_cover *cover, const gorse_canvas *c, gorse_colour colour);

/* Makes the largest ellipse in a box. */
void gorse_ellipse_in(const gorse_rect *box, gorse_ellipse *out);
/* Makes one of the same middle, smaller by so many 1/64 pixels; at least a point. */
void gorse_smaller_ellipse(const gorse_ellipse *of, int32_t by, gorse_ellipse *out);
/* The point of an ellipse at an angle. */
void gorse_point_at(const gorse_ellipse *of, uint16_t angle, gorse_fine *point);

/* The pixels between some points, and so many 1/64 pixels more on each side. */
void gorse_box_around(const gorse_fine *points, uint_fast8_t count, int32_t more, gorse_rect *out);

/* Adds the outline of a shape of some type. */
typedef void gorse_outline(gorse_cover *to, const void *shape);

/* What two angles leave of an ellipse with a hole. */
typedef struct gorse_sector {
    gorse_ellipse outer, hole;
    uint16_t from, to; /* angles; equal: all round */
    uint8_t border;    /* pixels */
    uint8_t ends;      /* GORSE_ENDS_...: round ones reach beyond the angles */
} gorse_sector;
/* Outlines of a gorse_sector, and of its border inside. */
void gorse_add_sector(gorse_cover *to, const void *sector);
void gorse_add_sector_border(gorse_cover *to, const void *sector);

/* Fills what an outline encloses of an area. */
void gorse_fill_outline(const gorse_canvas *c, const gorse_rect *area, gorse_outline *outline, const void *shape,
                        gorse_colour colour);
/* Draws what an outline encloses of an area with the look's fill and border; `border` adds the outline of the look's
 * border, which is inside. */
void gorse_draw_outline(const gorse_canvas *c, const gorse_rect *area, gorse_outline *outline, gorse_outline *border,
                        const void *shape, const gorse_look *look);

#ifdef __cplusplus
}
#endif
#endif
