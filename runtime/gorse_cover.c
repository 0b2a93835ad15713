/* SPDX-License-Identifier: MIT */
/* Exact coverage. Each line of an outline adds, to every pixel of a row, the area to the right of it; where the outline
 * goes up again, the same is taken away, so what is left is the area inside. The sums are exact, so two shapes with a
 * common edge cover together what they cover as one.
 *
 * Arcs are taken as chords. Near the top and bottom of an ellipse, where the chord of a whole row would miss up to a
 * fourth of a pixel, they are shorter; the worst is 1/64 pixel there. They are also shorter on the sides of an ellipse
 * that is much wider than high. */
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

/* The root, to the nearer. Bit by bit, without a branch that depends on it. */
static uint32_t root_of(uint32_t square) {
    uint32_t root = 0, bit;
    for (bit = (uint32_t)1 << 30; bit != 0u; bit >>= 2) {
        const uint32_t trial = root + bit, fits = 0u - (uint32_t)(square >= trial);
        square -= trial & fits;
        root = (root >> 1) + (bit & fits);
    }
    return square > root ? root + 1u : root;
}

#if GORSE_FAST
/* Two at a time: neither waits for the other. */
static void roots_of(const uint32_t *squares, uint32_t *roots) {
    uint32_t bit, first = squares[0], second = squares[1], one = 0, two = 0;
    for (bit = (uint32_t)1 << 30; bit != 0u; bit >>= 2) {
        const uint32_t fits = 0u - (uint32_t)(first >= one + bit), also = 0u - (uint32_t)(second >= two + bit);
        first -= (one + bit) & fits;
        second -= (two + bit) & also;
        one = (one >> 1) + (bit & fits);
        two = (two >> 1) + (bit & also);
    }
    roots[0] = first > one ? one + 1u : one;
    roots[1] = second > two ? two + 1u : two;
}
#endif

static void touch(gorse_cover *to, int32_t number) {
    to->touched[number >> 3] = (uint8_t)(to->touched[number >> 3] | (1u << (number & 7)));
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
    const int32_t end = (int32_t)to->n * ACROSS;
    int32_t at = left, done = 0, column;
    uint32_t slope = 0;
    int32_t *sum = to->sums;
    if (left >= end)
        return;
    if (right <= 0) {
        *sum += height * 2 * ACROSS;
        touch(to, 0);
        return;
    }
    /* What stays in one pixel needs none. */
    if (left < 0 || right > (left / ACROSS + 1) * ACROSS)
        slope = (size_of(height) << 10) / (uint32_t)(right - left);
    if (left < 0) {
        done = height_before(-left - right, slope, height);
        *sum += done * 2 * ACROSS;
        touch(to, 0);
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
        touch(to, column / ACROSS);
        done = upto;
        at = next;
        column += ACROSS;
        sum++;
    } while (at < right && column < end);
    /* The last sum's neighbour. */
    touch(to, column / ACROSS);
}

/* Adds an edge that crosses the middle of the row at x, of the whole panel, to the pixels whose middle is right of it;
 * or on it, if `with_middle`. */
static void add_crossing(gorse_cover *to, int32_t x, uint_fast8_t down, uint_fast8_t with_middle) {
    const int32_t first = x - (int32_t)to->x * ACROSS + ACROSS / 2 - (with_middle != 0u ? 1 : 0);
    const int32_t whole = (int32_t)2 * ACROSS * DOWN;
    if (first < (int32_t)to->n * ACROSS) {
        to->sums[first < 0 ? 0 : first / ACROSS] += down != 0u ? -whole : whole;
        touch(to, first < 0 ? 0 : first / ACROSS);
    }
}

static void add_between(gorse_cover *to, int32_t x0, int32_t x1, int32_t height) {
    const int32_t base = (int32_t)to->x * ACROSS;
    if (x0 < x1)
        add_edge(to, x0 - base, x1 - base, height);
    else
        add_edge(to, x1 - base, x0 - base, height);
}

/* Leaves of y0 to y1 what is in the row, of crisp shapes the row's middle; 0 if nothing is. */
static uint_fast8_t clip_to_row(const gorse_cover *to, int32_t *y0, int32_t *y1) {
    const int32_t top = (int32_t)to->y * GORSE_FINE;
    if (to->crisp != 0u) {
        const int32_t middle = top + GORSE_FINE / 2;
        const uint_fast8_t crosses = (uint_fast8_t)(*y0 <= middle && middle < *y1);
        *y0 = *y1 = middle;
        return crosses;
    }
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
    if (to->crisp != 0u) {
        /* Of two shapes at an edge one takes the pixels on it. */
        add_crossing(to, x_at(upper, lower, y0), down, 1);
        return;
    }
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

/* The same at two heights. */
static void half_widths(const gorse_ellipse *of, int32_t upper, int32_t lower, int32_t *at_upper, int32_t *at_lower) {
#if GORSE_FAST
    const uint32_t radius = (uint32_t)of->radius.y, first = size_of(upper), second = size_of(lower);
    if ((uint32_t)of->radius.x == radius && radius < 0x8000u && first < radius && second < radius) {
        uint32_t squares[2], roots[2];
        squares[0] = 4u * (radius * radius - first * first);
        squares[1] = 4u * (radius * radius - second * second);
        roots_of(squares, roots);
        *at_upper = (int32_t)roots[0];
        *at_lower = (int32_t)roots[1];
        return;
    }
#endif
    *at_upper = half_width(of, upper);
    *at_lower = half_width(of, lower);
}

enum { LEFT = 1, RIGHT = 2 };

/* The largest height of chords, in 1/64 pixel, that miss at most 1/32 pixel at the sides of an ellipse, where they miss
 * height^2 * radius.x / (8 * radius.y^2). */
static int32_t steep_chord_height(const gorse_ellipse *of) {
    const uint32_t height = (uint32_t)of->radius.y, width = (uint32_t)of->radius.x * GORSE_FINE;
    if (height >= 256u * GORSE_FINE || 4u * width <= height * height)
        return GORSE_FINE;
    return width <= height * height ? 32 : width / 4u <= height * height ? 16 : 4;
}

/* The height of chords in a row, in 1/64 pixel; y0 to y1 is the part of the row that the ellipse is in. */
static int32_t chord_height(const gorse_ellipse *of, int32_t y0, int32_t y1) {
    const uint32_t above = size_of(y0 - of->centre.y), below = size_of(y1 - of->centre.y);
    const uint32_t far = above > below ? above : below, radius = (uint32_t)of->radius.y;
    const uint32_t pole = radius > far ? radius - far : 0u;
    const int32_t height = pole < GORSE_FINE         ? 4
                           : pole < 4u * GORSE_FINE  ? 16
                           : pole < 16u * GORSE_FINE ? 32
                                                     : GORSE_FINE;
    const int32_t steep = steep_chord_height(of);
    return height < steep ? height : steep;
}

/* A chord of both sides: between two heights, how far from the middle. */
typedef struct chord {
    int32_t y0, y1, x0, x1;
} chord;

static int32_t chord_at(const chord *c, int32_t y) {
    return y == c->y0 ? c->x0 : y == c->y1 ? c->x1 : c->x0 + part_of(c->x1 - c->x0, y - c->y0, c->y1 - c->y0);
}

/* Adds what a chord has between two heights to one side or both. */
static void add_chord(gorse_cover *to, const gorse_ellipse *of, const chord *c, int32_t y0, int32_t y1,
                      uint_fast8_t sides, int_fast8_t way) {
    const int32_t middle = 2 * of->centre.x;
    int32_t upper = c->y0 > y0 ? c->y0 : y0, lower = c->y1 < y1 ? c->y1 : y1;
    const int32_t height = (lower - upper) * (DOWN / GORSE_FINE) * way;
    upper = chord_at(c, upper);
    lower = chord_at(c, lower);
    if ((sides & LEFT) != 0u)
        add_between(to, middle - upper, middle - lower, height);
    if ((sides & RIGHT) != 0u)
        add_between(to, middle + upper, middle + lower, -height);
}

static void add_crossings(gorse_cover *to, const gorse_ellipse *of, int32_t y, uint_fast8_t sides, int_fast8_t way) {
    /* Both sides alike: the pixels on them are inside. */
    const int32_t half = half_width(of, y - of->centre.y), middle = 2 * of->centre.x;
    if ((sides & LEFT) != 0u)
        add_crossing(to, middle - half, (uint_fast8_t)(way < 0), (uint_fast8_t)(way > 0));
    if ((sides & RIGHT) != 0u)
        add_crossing(to, middle + half, (uint_fast8_t)(way > 0), (uint_fast8_t)(way < 0));
}

/* Adds the sides of an ellipse from y0 down to y1. The chords are the same wherever it begins and ends, so that sectors
 * fit together. `whole` is the chord of the whole row, of no height until it is known: roots take the most time. */
static void add_sides(gorse_cover *to, const gorse_ellipse *of, int32_t y0, int32_t y1, uint_fast8_t sides,
                      int_fast8_t way, chord *whole) {
    int32_t first = of->centre.y - of->radius.y, last = of->centre.y + of->radius.y, step;
    const int32_t top = (int32_t)to->y * GORSE_FINE;
    chord c;
    if (clip_to_row(to, &y0, &y1) == 0u || clip_to_row(to, &first, &last) == 0u)
        return;
    if (to->crisp != 0u) {
        add_crossings(to, of, y0, sides, way);
        return;
    }
    step = chord_height(of, first, last);
    if (step == GORSE_FINE) {
        if (whole->y0 == whole->y1) {
            whole->y0 = first;
            whole->y1 = last;
            half_widths(of, first - of->centre.y, last - of->centre.y, &whole->x0, &whole->x1);
        }
        add_chord(to, of, whole, y0, y1, sides, way);
        return;
    }
    c.y1 = top + (y0 - top) / step * step;
    if (c.y1 < first)
        c.y1 = first;
    c.x1 = half_width(of, c.y1 - of->centre.y);
    while (c.y1 < y1) {
        c.y0 = c.y1;
        c.x0 = c.x1;
        c.y1 = top + ((c.y0 - top) / step + 1) * step;
        if (c.y1 > last)
            c.y1 = last;
        c.x1 = half_width(of, c.y1 - of->centre.y);
        add_chord(to, of, &c, y0, y1, sides, way);
    }
}

void gorse_cover_ellipse(gorse_cover *to, const gorse_ellipse *of, int_fast8_t way) {
    chord whole;
    whole.y0 = whole.y1 = 0;
    add_sides(to, of, of->centre.y - of->radius.y, of->centre.y + of->radius.y, LEFT | RIGHT, way, &whole);
}

/* Adds what is between two points, down the right side and up the left one. `ahead`: it is at most half of the ellipse,
 * so points on the same side have nothing of the other one between them. */
static void add_arc(gorse_cover *to, const gorse_ellipse *of, int32_t from, int32_t end, uint_fast8_t side,
                    uint_fast8_t last, uint_fast8_t ahead, int_fast8_t way) {
    const int32_t top = of->centre.y - of->radius.y, bottom = of->centre.y + of->radius.y;
    uint_fast8_t parts;
    chord whole;
    whole.y0 = whole.y1 = 0;
    for (parts = 0; parts < 3u; parts++) {
        if (side == last && (parts != 0u || ahead != 0u)) {
            add_sides(to, of, side == RIGHT ? from : end, side == RIGHT ? end : from, side, way, &whole);
            return;
        }
        if (side == RIGHT)
            add_sides(to, of, from, bottom, RIGHT, way, &whole);
        else
            add_sides(to, of, top, from, LEFT, way, &whole);
        from = side == RIGHT ? bottom : top;
        side = (uint_fast8_t)(LEFT + RIGHT - side);
    }
}

/* The same between two angles, whose points are known. */
static void add_sector_arc(gorse_cover *to, const gorse_ellipse *of, uint16_t from, uint16_t end, int32_t from_y,
                           int32_t end_y, int_fast8_t way) {
    const uint16_t half = GORSE_TURN / 2u;
    const uint16_t sweep = (uint16_t)((uint16_t)(end + (end < from ? GORSE_TURN : 0u)) - from);
    add_arc(to, of, from_y, end_y, (uint_fast8_t)(from < half ? RIGHT : LEFT),
            (uint_fast8_t)(end != 0u && end <= half ? RIGHT : LEFT), (uint_fast8_t)(sweep <= half), way);
}

/* The side of an arc that begins or ends in a point. */
static uint_fast8_t side_of(const gorse_ellipse *of, const gorse_fine *at, uint_fast8_t begins) {
    if (at->x != of->centre.x)
        return (uint_fast8_t)(at->x > of->centre.x ? RIGHT : LEFT);
    return (uint_fast8_t)((at->y < of->centre.y) == (begins != 0u) ? RIGHT : LEFT);
}

/* Leaves of a height what the ellipse has. */
static void bound_height(const gorse_ellipse *of, gorse_fine *at) {
    if (at->y < of->centre.y - of->radius.y)
        at->y = of->centre.y - of->radius.y;
    if (at->y > of->centre.y + of->radius.y)
        at->y = of->centre.y + of->radius.y;
}

void gorse_cover_wedge(gorse_cover *to, const gorse_ellipse *of, gorse_fine from, gorse_fine end,
                       const gorse_fine *corner, int_fast8_t way) {
    const uint_fast8_t clockwise = (uint_fast8_t)(way == GORSE_CLOCKWISE);
    /* An outline that is not closed would cover all that is right of it. */
    bound_height(of, &from);
    bound_height(of, &end);
    if (from.x != end.x || from.y != end.y)
        add_arc(to, of, from.y, end.y, side_of(of, &from, 1), side_of(of, &end, 0), 1, way);
    gorse_cover_line(to, clockwise != 0u ? &end : corner, clockwise != 0u ? corner : &end);
    gorse_cover_line(to, clockwise != 0u ? corner : &from, clockwise != 0u ? &from : corner);
}

void gorse_cover_cap(gorse_cover *to, const gorse_ellipse *of, gorse_fine from, gorse_fine end, int_fast8_t way) {
    bound_height(of, &end);
    gorse_cover_wedge(to, of, from, end, &end, way);
}

void gorse_cover_ring(gorse_cover *to, const gorse_ellipse *outer, const gorse_ellipse *inner, uint16_t from,
                      uint16_t end) {
    gorse_fine outer_from, outer_end, inner_from, inner_end;
    if (from == end) {
        gorse_cover_ellipse(to, outer, GORSE_CLOCKWISE);
        gorse_cover_ellipse(to, inner, GORSE_ANTICLOCKWISE);
        return;
    }
    gorse_point_at(outer, from, &outer_from);
    gorse_point_at(outer, end, &outer_end);
    gorse_point_at(inner, from, &inner_from);
    gorse_point_at(inner, end, &inner_end);
    add_sector_arc(to, outer, from, end, outer_from.y, outer_end.y, GORSE_CLOCKWISE);
    gorse_cover_line(to, &outer_end, &inner_end);
    add_sector_arc(to, inner, from, end, inner_from.y, inner_end.y, GORSE_ANTICLOCKWISE);
    gorse_cover_line(to, &inner_from, &outer_from);
}

void gorse_cover_begin(gorse_cover *cover, uint8_t crisp, gorse_coord x, gorse_coord y, uint16_t n) {
    GORSE_ASSERT(n <= GORSE_COVER_CHUNK);
    memset(cover->sums, 0, (n + 1u) * sizeof cover->sums[0]);
    memset(cover->touched, 0, ((n + GORSE_COVER_BITS) / GORSE_COVER_BITS) * (GORSE_COVER_BITS / 8u));
    cover->x = x;
    cover->y = y;
    cover->n = n;
    cover->crisp = crisp;
}

uint8_t gorse_cover_meets(const gorse_cover *cover, const gorse_fine *upper_left, const gorse_fine *lower_right) {
    const int32_t x = (int32_t)cover->x * GORSE_FINE, y = (int32_t)cover->y * GORSE_FINE;
    return (uint8_t)(upper_left->y < y + GORSE_FINE && lower_right->y > y && lower_right->x > x &&
                     upper_left->x < x + (int32_t)cover->n * GORSE_FINE);
}
