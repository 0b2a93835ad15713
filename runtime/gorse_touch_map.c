/* SPDX-License-Identifier: MIT */
#include "gorse_touch_map.h"

/* ONE: of the matrix. MOST: the largest number that is measured. */
#define ONE ((int32_t)16384)
#define MOST ((int32_t)4095)

/* n * ONE / d, to the nearest, for |n| and a d above 0 up to 2^28 and results that fit: bit by bit, as 32 bits do not
 * hold the product. */
static int32_t ratio(int32_t n, int32_t d) {
    uint32_t rest = n < 0 ? (uint32_t)-n : (uint32_t)n, result, i;
    result = rest / (uint32_t)d;
    rest %= (uint32_t)d;
    for (i = 0; i < 14u; i++) {
        rest <<= 1;
        result <<= 1;
        if (rest >= (uint32_t)d) {
            rest -= (uint32_t)d;
            result |= 1u;
        }
    }
    if (rest >= (uint32_t)d - rest)
        result++;
    return n < 0 ? -(int32_t)result : (int32_t)result;
}

static int32_t is_small(const gorse_touch_point *points) {
    uint32_t i;
    for (i = 0; i < 3u; i++)
        if (points[i].x < -MOST || points[i].x > MOST || points[i].y < -MOST || points[i].y > MOST)
            return 0;
    return 1;
}

/* One row of the matrix: with it the three measured points give these values. Returns 0 if a step of what is measured
 * would be more than two pixels. */
static uint8_t solve(const gorse_touch_point *m, int32_t v0, int32_t v1, int32_t v2, int32_t det, int32_t *of_x,
                     int32_t *of_y, int32_t *offset) {
    const int32_t ax = (int32_t)m[0].x - m[2].x, ay = (int32_t)m[0].y - m[2].y;
    const int32_t bx = (int32_t)m[1].x - m[2].x, by = (int32_t)m[1].y - m[2].y;
    const int32_t sign = det < 0 ? -1 : 1;
    *of_x = ratio(((v0 - v2) * by - (v1 - v2) * ay) * sign, det * sign);
    *of_y = ratio(((v1 - v2) * ax - (v0 - v2) * bx) * sign, det * sign);
    *offset = v2 * ONE - *of_x * m[2].x - *of_y * m[2].y;
    return (uint8_t)(*of_x <= 2 * ONE && *of_x >= -2 * ONE && *of_y <= 2 * ONE && *of_y >= -2 * ONE);
}

uint8_t gorse_touch_calibrate(const gorse_touch_point measured[3], const gorse_touch_point shown[3],
                              gorse_touch_matrix *out) {
    const int32_t ax = (int32_t)measured[0].x - measured[2].x, ay = (int32_t)measured[0].y - measured[2].y;
    const int32_t bx = (int32_t)measured[1].x - measured[2].x, by = (int32_t)measured[1].y - measured[2].y;
    gorse_touch_matrix found;
    int32_t det;
    if (is_small(measured) == 0 || is_small(shown) == 0)
        return 0;
    det = ax * by - bx * ay;
    /* Results below fit, and points nearly on a line are not enough. */
    if (det < MOST * 256 && det > -MOST * 256)
        return 0;
    if (solve(measured, shown[0].x, shown[1].x, shown[2].x, det, &found.xx, &found.xy, &found.x0) == 0u ||
        solve(measured, shown[0].y, shown[1].y, shown[2].y, det, &found.yx, &found.yy, &found.y0) == 0u)
        return 0;
    *out = found;
    return 1;
}

static int16_t median(int16_t a, int16_t b, int16_t c) {
    const int16_t low = a < b ? a : b, high = a < b ? b : a;
    return c < low ? low : c > high ? high : c;
}

static int16_t mapped(int32_t of_x, int32_t of_y, int32_t offset, int16_t x, int16_t y) {
    const int32_t sum = of_x * x + of_y * y + offset;
    /* To the nearest, the same way on both sides of 0. */
    return (int16_t)(sum < 0 ? -((ONE / 2 - 1 - sum) / ONE) : (sum + ONE / 2) / ONE);
}

uint8_t gorse_touch_map(gorse_touch_filter *filter, const gorse_touch_matrix *matrix, uint8_t touched, int16_t x,
                        int16_t y, gorse_touch_point *out) {
    const gorse_touch_point *raw = filter->raw;
    if (touched == 0u) {
        filter->count = 0;
        filter->missing = (uint8_t)(filter->missing < 2u ? filter->missing + 1u : 2u);
        if (filter->missing == 2u)
            filter->down = 0;
        return filter->down;
    }
    filter->missing = 0;
    filter->raw[filter->next].x = x;
    filter->raw[filter->next].y = y;
    filter->next = (uint8_t)((filter->next + 1u) % 3u);
    filter->count = (uint8_t)(filter->count < 3u ? filter->count + 1u : 3u);
    if (filter->count < 3u)
        return filter->down;
    filter->down = 1;
    x = median(raw[0].x, raw[1].x, raw[2].x);
    y = median(raw[0].y, raw[1].y, raw[2].y);
    out->x = mapped(matrix->xx, matrix->xy, matrix->x0, x, y);
    out->y = mapped(matrix->yx, matrix->yy, matrix->y0, x, y);
    return 1;
}
