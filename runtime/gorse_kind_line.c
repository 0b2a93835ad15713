/* SPDX-License-Identifier: MIT */
/* A stroke through points. Each edge between two of them is a piece with four corners; where two edges meet, the pieces
 * share the mitre at the inner side, and what is left open at the outer side is a wedge. So no pixel is covered twice,
 * except where edges are too short for that. */
#include "gorse_cover.h"

typedef struct line_shape {
    const gorse_widget_line *of;
    gorse_fine origin; /* of the box; the middle of its first pixel if the stroke is an odd number of pixels wide */
    int32_t half;      /* of the thickness, 1/64 pixel; below 0 if it is one whole pixel on a panel of one bit */
} line_shape;

/* One edge. */
typedef struct line_edge {
    const GORSE_ROM int16_t *point;
    gorse_fine from, end;
    gorse_fine side;     /* from the middle to the left side */
    uint8_t first, last; /* numbers of the points */
} line_edge;

enum { TO_LEFT = 1, TO_RIGHT = -1 };

static const GORSE_ROM int16_t *point_of(const line_shape *s, uint_fast8_t number) {
    return s->of->points + (uint16_t)number * GORSE_POINT_NUMBERS;
}

static void middle_of(const line_shape *s, uint_fast8_t number, gorse_fine *out) {
    const GORSE_ROM int16_t *point = point_of(s, number);
    out->x = s->origin.x + (int32_t)point[GORSE_POINT_X] * GORSE_FINE;
    out->y = s->origin.y + (int32_t)point[GORSE_POINT_Y] * GORSE_FINE;
}

/* by * part / 16384, rounded alike to both sides. Up to 22 bits, whole pixels apart, so that products fit. */
static int32_t along(int32_t by, int16_t part) {
    const uint32_t size = (uint32_t)(by < 0 ? -by : by), unit = (uint32_t)(part < 0 ? -(int32_t)part : part);
    const uint32_t whole = size / GORSE_FINE * unit;
    const uint32_t rest = whole % 256u * GORSE_FINE + size % GORSE_FINE * unit + 8192u;
    const int32_t sum = (int32_t)(whole / 256u + rest / 16384u);
    return (by < 0) != (part < 0) ? -sum : sum;
}

/* From the middle of an edge to its left side. */
static void side_of(const line_shape *s, const GORSE_ROM int16_t *point, gorse_fine *out) {
    const int16_t x = point[GORSE_POINT_ALONG_X], y = point[GORSE_POINT_ALONG_Y];
    out->x = along(s->half, y);
    out->y = -along(s->half, x);
    /* Strokes of one whole pixel: one in each column, or in each row, is what lies there. */
    if (s->half < 0) {
        const uint_fast8_t flat = (uint_fast8_t)((x < 0 ? -x : x) >= (y < 0 ? -y : y));
        out->x = flat != 0u ? 0 : y < 0 ? s->half : -s->half;
        out->y = flat == 0u ? 0 : x < 0 ? -s->half : s->half;
    }
}

static void moved(const gorse_fine *from, const gorse_fine *by, int_fast8_t side, gorse_fine *out) {
    out->x = from->x + (side == TO_LEFT ? by->x : -by->x);
    out->y = from->y + (side == TO_LEFT ? by->y : -by->y);
}

static uint_fast8_t before(const line_shape *s, uint_fast8_t number) {
    return (uint_fast8_t)((number == 0u ? s->of->point_count : number) - 1u);
}

static uint_fast8_t is_end(const line_shape *s, uint_fast8_t number) {
    return (uint_fast8_t)(s->of->is_closed == 0u && (number == 0u || number + 1u == s->of->point_count));
}

/* More than 0 where the stroke turns right in a point, less where it turns left. */
static int32_t turn_in(const line_shape *s, uint_fast8_t number) {
    const GORSE_ROM int16_t *was = point_of(s, before(s, number)), *is = point_of(s, number);
    return (int32_t)was[GORSE_POINT_ALONG_X] * is[GORSE_POINT_ALONG_Y] -
           (int32_t)was[GORSE_POINT_ALONG_Y] * is[GORSE_POINT_ALONG_X];
}

/* 1 if the corners of both edges in a point are one at that side. */
static uint_fast8_t is_joined(const line_shape *s, uint_fast8_t number, int_fast8_t side) {
    const GORSE_ROM int16_t *point = point_of(s, number);
    const int32_t turn = turn_in(s, number);
    const int32_t x = point[GORSE_POINT_MITRE_X], y = point[GORSE_POINT_MITRE_Y];
    if (is_end(s, number) != 0u || s->of->dash != 0u || s->half < 0)
        return 0;
    if (turn == 0 || (turn > 0) == (side == TO_RIGHT))
        return (uint_fast8_t)(s->half <= point[GORSE_POINT_LIMIT]);
    /* Pointed up to 2.5 times the thickness, which is a turn of 130 degrees. */
    return (uint_fast8_t)(s->of->ends == GORSE_ENDS_FLAT && x * x + y * y <= (int32_t)10240 * 10240);
}

static void corner(const line_shape *s, const line_edge *e, uint_fast8_t number, int_fast8_t side, gorse_fine *out) {
    const GORSE_ROM int16_t *point = point_of(s, number);
    gorse_fine mitre;
    if (is_joined(s, number, side) == 0u) {
        moved(number == e->first ? &e->from : &e->end, &e->side, side, out);
        return;
    }
    mitre.x = s->half * point[GORSE_POINT_MITRE_X] / 4096;
    mitre.y = s->half * point[GORSE_POINT_MITRE_Y] / 4096;
    middle_of(s, number, out);
    moved(out, &mitre, side, out);
}

static void add_piece(gorse_cover *to, const gorse_fine *corners, uint_fast8_t count) {
    uint_fast8_t i;
    for (i = 0; i < count; i++)
        gorse_cover_line(to, &corners[i], &corners[i + 1u == count ? 0u : i + 1u]);
}

/* Half a disc behind an end; `side` is from the middle to where it begins, clockwise. */
static void add_cap(gorse_cover *to, const line_shape *s, const gorse_fine *middle, const gorse_fine *side,
                    int_fast8_t begins) {
    gorse_ellipse disc;
    gorse_fine from, end;
    disc.centre = *middle;
    disc.radius.x = disc.radius.y = s->half;
    moved(middle, side, begins, &from);
    moved(middle, side, (int_fast8_t)-begins, &end);
    gorse_cover_cap(to, &disc, from, end, GORSE_CLOCKWISE);
}

/* What the two edges in a point leave open at the outer side. */
static GORSE_OWN_FRAME void add_wedge(gorse_cover *to, const line_shape *s, const line_edge *e) {
    const int_fast8_t outer = turn_in(s, e->first) > 0 ? TO_LEFT : TO_RIGHT;
    gorse_fine was, corners[3];
    if (is_end(s, e->first) != 0u || is_joined(s, e->first, outer) != 0u || s->half < 0)
        return;
    side_of(s, point_of(s, before(s, e->first)), &was);
    moved(&e->from, &was, outer, &corners[outer == TO_LEFT ? 0 : 1]);
    moved(&e->from, &e->side, outer, &corners[outer == TO_LEFT ? 1 : 0]);
    corners[2] = e->from;
    if (is_joined(s, e->first, (int_fast8_t)-outer) != 0u)
        corner(s, e, e->first, (int_fast8_t)-outer, &corners[2]);
    if (s->of->ends == GORSE_ENDS_ROUND) {
        gorse_ellipse disc;
        disc.centre = e->from;
        disc.radius.x = disc.radius.y = s->half;
        gorse_cover_wedge(to, &disc, corners[0], corners[1], &corners[2], GORSE_CLOCKWISE);
    } else {
        add_piece(to, corners, 3);
    }
}

/* Moves a point along the edge. */
static void move_along(const line_edge *e, int32_t by, gorse_fine *point) {
    point->x += along(by, e->point[GORSE_POINT_ALONG_X]);
    point->y += along(by, e->point[GORSE_POINT_ALONG_Y]);
}

/* An edge that is drawn whole. */
static GORSE_OWN_FRAME void add_edge(gorse_cover *to, const line_shape *s, line_edge *e) {
    gorse_fine corners[4];
    /* The pixels at both ends belong to a stroke that goes through the middle of pixels. */
    if (s->half < 0 || ((s->of->thickness & 1u) != 0u && s->of->ends == GORSE_ENDS_FLAT)) {
        if (is_end(s, e->first) != 0u || s->half < 0)
            move_along(e, -GORSE_FINE / 2, &e->from);
        if (is_end(s, e->last) != 0u || s->half < 0)
            move_along(e, GORSE_FINE / 2, &e->end);
    }
    corner(s, e, e->first, TO_LEFT, &corners[0]);
    corner(s, e, e->last, TO_LEFT, &corners[1]);
    corner(s, e, e->last, TO_RIGHT, &corners[2]);
    corner(s, e, e->first, TO_RIGHT, &corners[3]);
    add_piece(to, corners, 4);
    if (s->of->ends != GORSE_ENDS_ROUND || s->half < 0)
        return;
    if (is_end(s, e->first) != 0u)
        add_cap(to, s, &e->from, &e->side, TO_RIGHT);
    if (is_end(s, e->last) != 0u)
        add_cap(to, s, &e->end, &e->side, TO_LEFT);
}

static int32_t length_of(const line_edge *e) {
    const int32_t x = (e->end.x - e->from.x) / GORSE_FINE, y = (e->end.y - e->from.y) / GORSE_FINE;
    return (x * e->point[GORSE_POINT_ALONG_X] + y * e->point[GORSE_POINT_ALONG_Y]) / (16384 / GORSE_FINE);
}

/* How far along an edge the middle of the part that is drawn lies, to the pixel. */
static int32_t distance_of(const gorse_cover *to, const line_edge *e) {
    const int32_t x = to->x + (gorse_coord)(to->n / 2u) - e->from.x / GORSE_FINE, y = to->y - e->from.y / GORSE_FINE;
    return (x * e->point[GORSE_POINT_ALONG_X] + y * e->point[GORSE_POINT_ALONG_Y]) / (16384 / GORSE_FINE);
}

/* A dash between two distances from where the edge begins; a round end at each that it has. */
static GORSE_OWN_FRAME void add_dash(gorse_cover *to, const line_shape *s, const line_edge *e, int32_t from,
                                     int32_t end, uint_fast8_t begins, uint_fast8_t stops) {
    gorse_fine corners[4], middle[2];
    middle[0] = middle[1] = e->from;
    move_along(e, from, &middle[0]);
    move_along(e, end, &middle[1]);
    moved(&middle[0], &e->side, TO_LEFT, &corners[0]);
    moved(&middle[1], &e->side, TO_LEFT, &corners[1]);
    moved(&middle[1], &e->side, TO_RIGHT, &corners[2]);
    moved(&middle[0], &e->side, TO_RIGHT, &corners[3]);
    add_piece(to, corners, 4);
    if (s->of->ends != GORSE_ENDS_ROUND || s->half < 0)
        return;
    if (begins != 0u)
        add_cap(to, s, &middle[0], &e->side, TO_RIGHT);
    if (stops != 0u)
        add_cap(to, s, &middle[1], &e->side, TO_LEFT);
}

/* The dashes of an edge. `phase` is how far the pattern has got where the edge begins; returns where it ends. */
static GORSE_OWN_FRAME int32_t add_dashes(gorse_cover *to, const line_shape *s, const line_edge *e, int32_t phase) {
    const int32_t dash = (int32_t)s->of->dash * GORSE_FINE, both = dash + (int32_t)s->of->dash_gap * GORSE_FINE;
    const int32_t length = length_of(e), middle_at = distance_of(to, e);
    /* Those that can be seen, round ends included. */
    const int32_t reach = (to->n / 2 + 3) * GORSE_FINE + (s->half < 0 ? -s->half : s->half) + dash;
    const int32_t last = middle_at + reach < length ? middle_at + reach : length;
    int32_t at = -phase;
    if (middle_at - reach > at)
        at += (middle_at - reach - at) / both * both;
    for (; at < last; at += both) {
        const int32_t from = at < 0 ? 0 : at, end = at + dash < length ? at + dash : length;
        if (end > from)
            add_dash(to, s, e, from, end, (uint_fast8_t)(at >= 0), (uint_fast8_t)(at + dash <= length));
    }
    return (phase + length) % both;
}

/* How far a piece can reach from the edge's middle: to the point of a mitre. */
static uint8_t is_near(const gorse_cover *to, const line_shape *s, const line_edge *e) {
    const int32_t reach = (s->half < 0 ? -s->half : s->half) * 3 + GORSE_FINE;
    gorse_fine upper_left, lower_right;
    upper_left.x = (e->from.x < e->end.x ? e->from.x : e->end.x) - reach;
    upper_left.y = (e->from.y < e->end.y ? e->from.y : e->end.y) - reach;
    lower_right.x = (e->from.x > e->end.x ? e->from.x : e->end.x) + reach;
    lower_right.y = (e->from.y > e->end.y ? e->from.y : e->end.y) + reach;
    return gorse_cover_meets(to, &upper_left, &lower_right);
}

static void add_line(gorse_cover *to, const void *shape) {
    const line_shape *s = (const line_shape *)shape;
    const uint_fast8_t edges = (uint_fast8_t)(s->of->point_count - (s->of->is_closed != 0u ? 0 : 1));
    int32_t phase = 0;
    line_edge e;
    for (e.first = 0; e.first < edges; e.first++) {
        const uint_fast8_t in_dash = (uint_fast8_t)(s->of->dash == 0u || phase < (int32_t)s->of->dash * GORSE_FINE);
        e.last = (uint8_t)(e.first + 1u == s->of->point_count ? 0u : e.first + 1u);
        e.point = point_of(s, e.first);
        middle_of(s, e.first, &e.from);
        middle_of(s, e.last, &e.end);
        if (is_near(to, s, &e) == 0u) {
            if (s->of->dash != 0u)
                phase = (phase + length_of(&e)) % (((int32_t)s->of->dash + s->of->dash_gap) * GORSE_FINE);
            continue;
        }
        side_of(s, e.point, &e.side);
        if (in_dash != 0u && (phase != 0 || s->of->dash == 0u))
            add_wedge(to, s, &e);
        if (s->of->dash != 0u)
            phase = add_dashes(to, s, &e, phase);
        else
            add_edge(to, s, &e);
    }
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    line_shape s;
    gorse_rect box;
    int32_t middle;
    gorse_widget_box(widget, &box);
    s.of = (const gorse_widget_line *)(const void *)widget;
    middle = (s.of->thickness & 1u) != 0u ? GORSE_FINE / 2 : 0;
    s.origin.x = (int32_t)box.x0 * GORSE_FINE + middle;
    s.origin.y = (int32_t)box.y0 * GORSE_FINE + middle;
    s.half = (int32_t)s.of->thickness * (GORSE_FINE / 2);
    if (s.of->thickness == 1u && c->format->bits == 1u)
        s.half = -s.half;
    gorse_draw_box(c, &box, look);
    if (s.of->point_count > 1u)
        gorse_fill_outline(c, &box, add_line, &s, look->text);
}

const GORSE_ROM gorse_kind gorse_kind_line = {sizeof(gorse_widget_line), 0, draw, 0, 0, 0};
