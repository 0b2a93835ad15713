/* SPDX-License-Identifier: MIT */
/* Points of the interface from what a resistive touch measures: filtered, and mapped by three points. */
#ifndef GORSE_TOUCH_MAP_H
#define GORSE_TOUCH_MAP_H

#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

typedef struct gorse_touch_point {
    int16_t x, y;
} gorse_touch_point;

/* x = (xx * raw x + xy * raw y + x0) / 16384, and y likewise. */
typedef struct gorse_touch_matrix {
    int32_t xx, xy, x0;
    int32_t yx, yy, y0;
} gorse_touch_matrix;

/* What was measured lately. All zeros: the glass is not touched. */
typedef struct gorse_touch_filter {
    gorse_touch_point raw[3];
    uint8_t count;   /* of them that are measured since it is touched, up to 3 */
    uint8_t missing; /* measurements without a touch since the latest with one */
    uint8_t down;
    uint8_t next; /* which of them is replaced next */
} gorse_touch_filter;

/* Finds the matrix from three points of the interface and what was measured there, 0 to 4095. Returns 0, and leaves
 * the matrix as it is, if the measured ones lie nearly on a line or close together, or the interface is larger than
 * 4095. */
uint8_t gorse_touch_calibrate(const gorse_touch_point measured[3], const gorse_touch_point shown[3],
                              gorse_touch_matrix *out);

/* Takes a measurement, 0 to 4095, `touched` 0 if the glass was not pressed; then x and y do not count. Returns 1 while
 * it counts as touched: from the third measurement in a row with a touch to the second without. `out` is the point of
 * the interface then, from the median of the latest three, and the last such point afterwards: what a jump measures
 * does not reach it. */
uint8_t gorse_touch_map(gorse_touch_filter *filter, const gorse_touch_matrix *matrix, uint8_t touched, int16_t x,
                        int16_t y, gorse_touch_point *out);

#ifdef __cplusplus
}
#endif
#endif
