/* SPDX-License-Identifier: MIT */
/* Exact coverage. Each line of an outline adds, to every pixel of a row, the area to the right of it; where the outline
 * goes up again, the same is taken away, so what is left is the area inside. The sums are exact, so two shapes with a
 * common edge cover together what they cover as one.
 *
 * Arcs are taken as chords. Near the top and bottom of an ellipse, where the chord of a whole row would miss up to a
 * fourth of a pixel, they are shorter; the worst is 1/64 pixel there. */
#include "gorse_cover.h"

/* Edges within a row: 1/128 pixel across, 1/4096 down. An area of a pixel is 2 * 128 * 4096. */
enum { ACROSS = 128, DOWN = 4096 };

static uint32_t size_of(int32_t number) { return number < 0 ? 0u - (uint32_t)number : (uint32_t)number; }

/* amount * number / parts, where |number| <= parts; to the nearer, and in the middle away from 0, so that mirrored
 * shapes are alike. Above 15 bits the ratio loses its last ones, above 16 the amount. */
static int32_t part_of(int32_t amount, int32_t number, int32_t parts) {
    uint32_t a = size_of(amount), n = size_of(number), p = (uint32_t)parts;
    uint_fast8_t up = 0;
    for (; p >= 0x8000u; p >>= 1)
        n >>= 1;
    for (; a >= 0x10000u; a >>= 1)
        up++;
    a = ((a * n + p / 2u) / p) << up;
    return (amount < 0) != (number < 0) ? -(int32_t)a : (int32_t)a;
}

/* The root, to the nearer. Bit by bit, from the highest pair on. */
static uint32_t root_of(uint32_t square) {
    uint32_t root = 0, bit = (uint32_t)1 << 30;
    while (bit > square)
        bit >>= 2;
    for (; bit != 0u; bit >>= 2) {
        if (square >= root + bit) {
            square -= root + bit;
            root = (root >> 1) + bit;
        } else {
            root >>= 1;
        }
    }
    return square > root ? root + 1u : root;
}

/* The height that an edge has passed left of x; `twice` is 2x less the sum of its ends. Stepped from its middle on, so
 * that mirrored edges are alike. */
static int32_t height_before(int32_t twice, uint32_t slope, int32_t height) {
    int32_t off = (int32_t)((size_of(twice) * slope + 1024u) >> 11);
    return height / 2 + ((twice < 0) != (height < 0) ? -off : off);
}

/* Adds an edge that goes through `height` of a row between `left` and `right`, in the units above from the part's first
 * pixel on. */
static void add_edge(gorse_cover *to, int32_t left, int32_t right, int32_t height) {
    const int32_t end = (int32_t)GORSE_COVER_CHUNK * ACROSS;
    int32_t at = left, done = 0, column;
    uint32_t slope = 0;
    int32_t *sum = to->sums;
    if (left >= end)
        return;
    if (right <= 0) {
        *sum += height * 2 * ACROSS;
        return;
    }
    if (left < right)
        slope = (size_of(height) << 10) / (uint32_t)(right - left);
    if (left < 0) {
        done = height_before(-left - right, slope, height);
        *sum += done * 2 * ACROSS;
        at = 0;
    }
    sum += at / ACROSS;
    column = at / ACROSS * ACROSS;
    do {
        int32_t next = column + ACROSS, upto = height, twice;
        if (next < right)
            upto = height_before(2 * next - left - right, slope, height);
        else
            next = right;
        twice = at + next - 2 * column;
        sum[0] += (upto - done) * (2 * ACROSS - twice);
        sum[1] += (upto - done) * twice;
        done = upto;
        at = next;
        column += ACROSS;
        sum++;
    } while (at < right && column < end);
}

static void add_between(gorse_cover *to, int32_t x0, int32_t x1, int32_t height) {
    const int32_t base = (int32_t)to->x * ACROSS;
    if (x0 < x1)
        add_edge(to, x0 - base, x1 - base, height);
    else
        add_edge(to, x1 - base, x0 - base, height);
}

/* Leaves of y0 to y1 what is in the row; 0 if nothing is. */
static uint_fast8_t clip_to_row(const gorse_cover *to, int32_t *y0, int32_t *y1) {
    const int32_t top = (int32_t)to->y * GORSE_FINE;
    if (*y0 < top)
        *y0 = top;
    if (*y1 > top + GORSE_FINE)
        *y1 = top + GORSE_FINE;
    return (uint_fast8_t)(*y0 < *y1);
}

/* Where a line is at a height, in 1/128 pixel. */
static int32_t x_at(const gorse_fine *upper, const gorse_fine *lower, int32_t y) {
    const int32_t height = lower->y - upper->y;
    return upper->x + lower->x + part_of(lower->x - upper->x, 2 * (y - upper->y) - height, height);
}

void gorse_cover_line(gorse_cover *to, const gorse_fine *from, const gorse_fine *end) {
    const uint_fast8_t down = (uint_fast8_t)(from->y < end->y);
    const gorse_fine *upper = down != 0u ? from : end, *lower = down != 0u ? end : from;
    int32_t y0 = upper->y, y1 = lower->y, height;
    if (clip_to_row(to, &y0, &y1) == 0u)
        return;
    height = (y1 - y0) * (DOWN / GORSE_FINE);
    add_between(to, x_at(upper, lower, y0), x_at(upper, lower, y1), down != 0u ? -height : height);
}

/* Half of an ellipse's width at a height from its middle, in 1/128 pixel. */
static int32_t half_width(const gorse_ellipse *of, int32_t y) {
    uint32_t radius = (uint32_t)of->radius.y, above = size_of(y), root;
    if (above >= radius)
        return 0;
    for (; radius >= 0x8000u; radius >>= 1)
        above >>= 1;
    root = root_of(4u * (radius * radius - above * above));
    return (uint32_t)of->radius.x == radius ? (int32_t)root
                                            : part_of(2 * of->radius.x, (int32_t)root, (int32_t)(2u * radius));
}

enum { LEFT = 1, RIGHT = 2 };

/* The height of chords in a row, in 1/64 pixel; y0 to y1 is the part of the row that the ellipse is in. */
static int32_t chord_height(const gorse_ellipse *of, int32_t y0, int32_t y1) {
    const uint32_t above = size_of(y0 - of->centre.y), below = size_of(y1 - of->centre.y);
    const uint32_t far = above > below ? above : below, radius = (uint32_t)of->radius.y;
    const uint32_t pole = radius > far ? radius - far : 0u;
    return pole < GORSE_FINE ? 4 : pole < 4u * GORSE_FINE ? 16 : pole < 16u * GORSE_FINE ? 32 : GORSE_FINE;
}

/* A chord of both sides: between two heights, how far from the middle. */
typedef struct chord {
    int32_t y0, y1, x0, x1;
} chord;

static int32_t chord_at(const chord *c, int32_t y) {
    return y == c->y0 ? c->x0 : y == c->y1 ? c->x1 : c->x0 + part_of(c->x1 - c->x0, y - c->y0, c->y1 - c->y0);
}

/* Adds the sides of an ellipse from y0 down to y1. The chords are the same wherever it begins and ends, so that sectors
 * fit together. */
static void add_sides(gorse_cover *to, const gorse_ellipse *of, int32_t y0, int32_t y1, uint_fast8_t sides,
                      int_fast8_t way) {
    int32_t first = of->centre.y - of->radius.y, last = of->centre.y + of->radius.y, step;
    const int32_t top = (int32_t)to->y * GORSE_FINE, middle = 2 * of->centre.x;
    chord c;
    if (clip_to_row(to, &y0, &y1) == 0u || clip_to_row(to, &first, &last) == 0u)
        return;
    step = chord_height(of, first, last);
    c.y1 = top + (y0 - top) / step * step;
    if (c.y1 < first)
        c.y1 = first;
    c.x1 = half_width(of, c.y1 - of->centre.y);
    while (c.y1 < y1) {
        int32_t upper, lower, height;
        c.y0 = c.y1;
        c.x0 = c.x1;
        c.y1 = top + ((c.y0 - top) / step + 1) * step;
        if (c.y1 > last)
            c.y1 = last;
        c.x1 = half_width(of, c.y1 - of->centre.y);
        upper = c.y0 > y0 ? c.y0 : y0;
        lower = c.y1 < y1 ? c.y1 : y1;
        height = (lower - upper) * (DOWN / GORSE_FINE) * way;
        upper = chord_at(&c, upper);
        lower = chord_at(&c, lower);
        if ((sides & LEFT) != 0u)
            add_between(to, middle - upper, middle - lower, height);
        if ((sides & RIGHT) != 0u)
            add_between(to, middle + upper, middle + lower, -height);
    }
}

void gorse_cover_ellipse(gorse_cover *to, const gorse_ellipse *of, int_fast8_t way) {
    add_sides(to, of, of->centre.y - of->radius.y, of->centre.y + of->radius.y, LEFT | RIGHT, way);
}

void gorse_cover_arc(gorse_cover *to, const gorse_ellipse *of, uint16_t from, uint16_t end, int_fast8_t way) {
    const uint16_t sweep = (uint16_t)((end + 360u - from) % 360u);
    const uint_fast8_t last = (uint_fast8_t)(end != 0u && end <= 180u ? RIGHT : LEFT);
    const int32_t top = of->centre.y - of->radius.y, bottom = of->centre.y + of->radius.y;
    uint_fast8_t side = (uint_fast8_t)(from < 180u ? RIGHT : LEFT), parts;
    gorse_fine at, stop;
    gorse_point_at(of, from, &at);
    gorse_point_at(of, end, &stop);
    /* Down the right side and up the left one, until the end is ahead on the same side. */
    for (parts = 0; parts < 3u; parts++) {
        if (side == last && (parts != 0u || sweep <= 180u)) {
            add_sides(to, of, side == RIGHT ? at.y : stop.y, side == RIGHT ? stop.y : at.y, side, way);
            return;
        }
        if (side == RIGHT)
            add_sides(to, of, at.y, bottom, RIGHT, way);
        else
            add_sides(to, of, top, at.y, LEFT, way);
        at.y = side == RIGHT ? bottom : top;
        side = (uint_fast8_t)(LEFT + RIGHT - side);
    }
}

void gorse_cover_begin(gorse_cover *cover, gorse_coord x, gorse_coord y) {
    memset(cover->sums, 0, sizeof cover->sums);
    cover->x = x;
    cover->y = y;
}

uint8_t *gorse_cover_end(gorse_cover *cover) {
    const uint32_t whole = (uint32_t)2 * ACROSS * DOWN;
    uint8_t *coverage = (uint8_t *)(void *)cover->sums;
    int32_t sum = 0;
    uint_fast8_t i;
    /* A pixel's byte lies in a sum that has been read. */
    for (i = 0; i < GORSE_COVER_CHUNK; i++) {
        uint32_t area;
        sum += cover->sums[i];
        area = size_of(sum);
        coverage[i] = (uint8_t)(area >= whole ? 255u : (area * 255u + whole / 2u) / whole);
    }
    return coverage;
}
