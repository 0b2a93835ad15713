/* SPDX-License-Identifier: MIT */
/* Draws what an outline encloses, a part of a row at a time: the sums of its edges become coverage. */
#include "gorse_cover.h"

void gorse_ellipse_in(const gorse_rect *box, gorse_ellipse *out) {
    out->centre.x = ((int32_t)box->x0 + box->x1) * (GORSE_FINE / 2);
    out->centre.y = ((int32_t)box->y0 + box->y1) * (GORSE_FINE / 2);
    out->radius.x = ((int32_t)box->x1 - box->x0) * (GORSE_FINE / 2);
    out->radius.y = ((int32_t)box->y1 - box->y0) * (GORSE_FINE / 2);
}

void gorse_smaller_ellipse(const gorse_ellipse *of, int32_t by, gorse_ellipse *out) {
    out->centre = of->centre;
    out->radius.x = of->radius.x > by ? of->radius.x - by : 0;
    out->radius.y = of->radius.y > by ? of->radius.y - by : 0;
}

void gorse_box_around(const gorse_fine *points, uint_fast8_t count, int32_t more, gorse_rect *out) {
    gorse_fine min = points[0], max = points[0];
    uint_fast8_t i;
    for (i = 1; i < count; i++) {
        min.x = points[i].x < min.x ? points[i].x : min.x;
        min.y = points[i].y < min.y ? points[i].y : min.y;
        max.x = points[i].x > max.x ? points[i].x : max.x;
        max.y = points[i].y > max.y ? points[i].y : max.y;
    }
    out->x0 = gorse_pixel_of(min.x - more);
    out->y0 = gorse_pixel_of(min.y - more);
    out->x1 = gorse_pixel_of(max.x + more + GORSE_FINE - 1);
    out->y1 = gorse_pixel_of(max.y + more + GORSE_FINE - 1);
}

/* 0 to 255. */
static uint8_t coverage_of(int32_t sum) {
    const uint32_t whole = (uint32_t)1 << 20, area = sum < 0 ? 0u - (uint32_t)sum : (uint32_t)sum;
    return (uint8_t)(area >= whole ? 255u : (area * 255u + whole / 2u) / whole);
}

/* The first pixel from `at` on that is touched, or not; n if there is none. */
#if GORSE_FAST && defined(__GNUC__) && !GORSE_WORDS_ARE_BIG
static uint16_t next_of(const gorse_cover *cover, uint16_t at, uint_fast8_t touched) {
    const uint64_t flip = touched != 0u ? 0u : ~(uint64_t)0;
    while (at < cover->n) {
        uint64_t bits;
        memcpy(&bits, cover->touched + (at >> 6) * 8u, 8);
        bits = (bits ^ flip) >> (at & 63u);
        if (bits != 0u) {
            at = (uint16_t)(at + (uint16_t)__builtin_ctzll(bits));
            break;
        }
        at = (uint16_t)((at | 63u) + 1u);
    }
    return at < cover->n ? at : cover->n;
}
#else
static uint_fast8_t is_touched(const gorse_cover *cover, uint16_t number) {
    return (uint_fast8_t)((uint8_t)(cover->touched[number >> 3] >> (number & 7u)) & 1u);
}

static uint16_t next_of(const gorse_cover *cover, uint16_t at, uint_fast8_t touched) {
    const uint8_t none = (uint8_t)(touched != 0u ? 0u : 255u);
    while (at < cover->n && is_touched(cover, at) != touched) {
        at++;
        while ((at & 7u) == 0u && at < cover->n && cover->touched[at >> 3] == none)
            at = (uint16_t)(at + 8u);
    }
    return at < cover->n ? at : cover->n;
}
#endif

uint8_t *gorse_cover_end(gorse_cover *cover) {
    uint8_t *coverage = (uint8_t *)(void *)cover->sums;
    int32_t sum = 0;
    uint16_t i = 0;
    /* A pixel's byte lies in a sum that has been read, or that is 0. */
    while (i < cover->n) {
        const uint16_t edge = next_of(cover, i, 1), end = next_of(cover, edge, 0);
        memset(coverage + i, coverage_of(sum), (size_t)(edge - i));
        for (i = edge; i < end; i++) {
            sum += cover->sums[i];
            coverage[i] = coverage_of(sum);
        }
    }
    return coverage;
}

static void paint_run(const gorse_cover *cover, const gorse_canvas *c, uint16_t from, uint16_t end, uint8_t coverage,
                      gorse_colour colour) {
    gorse_rect run;
    if (coverage != 255u)
        colour = (colour & 0xffffffu) | (gorse_colour)gorse_scale8(gorse_alpha(colour), coverage) << 24;
    run.x0 = (gorse_coord)(cover->x + (gorse_coord)from);
    run.x1 = (gorse_coord)(cover->x + (gorse_coord)end);
    run.y0 = cover->y;
    run.y1 = (gorse_coord)(cover->y + 1);
    gorse_fill_rect(c, &run, colour);
}

/* Mixes the pixels from an edge on, whose sums are read into `sum`. */
static void paint_edge(gorse_cover *cover, const gorse_canvas *c, uint16_t from, uint16_t end, int32_t *sum,
                       gorse_colour colour) {
    uint8_t *coverage = (uint8_t *)(void *)cover->sums;
    uint16_t i = from;
    while (from < end) {
        const uint16_t stop = (uint16_t)(end - from > GORSE_CHUNK ? from + GORSE_CHUNK : end);
        /* A pixel's byte lies in a sum that has been read. */
        for (; i < stop; i++) {
            *sum += cover->sums[i];
            coverage[i] = coverage_of(*sum);
        }
        gorse_mask_span(c, (gorse_coord)(cover->x + (gorse_coord)from), cover->y, (uint16_t)(stop - from),
                        coverage + from, colour);
        from = stop;
    }
}

void gorse_cover_paint(gorse_cover *cover, const gorse_canvas *c, gorse_colour colour) {
    int32_t sum = 0;
    uint16_t at = 0, edge = next_of(cover, 0, 1);
    while (at < cover->n) {
        uint16_t end, next;
        if (edge > at && sum != 0)
            paint_run(cover, c, at, edge, coverage_of(sum), colour);
        end = next_of(cover, edge, 0);
        next = next_of(cover, end, 1);
        /* Short runs between edges are taken with them. */
        while (end < cover->n && next - end < 4) {
            end = next_of(cover, next, 0);
            next = next_of(cover, end, 1);
        }
        paint_edge(cover, c, edge, end, &sum, colour);
        at = end;
        edge = next;
    }
}

/* What is drawn now: a part of a row. */
typedef struct span {
    const gorse_canvas *c;
    gorse_coord x, y;
    uint16_t n;
} span;

static uint8_t is_crisp(const gorse_canvas *c) { return (uint8_t)(c->format->bits == 1u); }

static GORSE_OWN_FRAME void cover(gorse_cover *to, const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n,
                                  gorse_outline *outline, const void *shape) {
    gorse_cover_begin(to, is_crisp(c), x, y, n);
    outline(to, shape);
}

/* The coverage of the pixels from x, y on, written over `to`. */
static uint8_t *covered(gorse_cover *to, const span *s, gorse_coord x, gorse_coord y, uint16_t n,
                        gorse_outline *outline, const void *shape) {
    cover(to, s->c, x, y, n, outline, shape);
    return gorse_cover_end(to);
}

/* A part of a row; 0 if the area has no more of it. At most `most` pixels. */
static uint_fast8_t next_span(span *s, const gorse_rect *area, uint16_t most) {
    s->x = (gorse_coord)(s->x + (gorse_coord)s->n);
    if (s->x >= area->x1) {
        s->x = area->x0;
        s->y++;
    }
    s->n = (uint16_t)gorse_min((gorse_coord)(area->x1 - s->x), (gorse_coord)most);
    return (uint_fast8_t)(s->y < area->y1);
}

/* Leaves of an area what can be drawn on; 0 if nothing can. */
static uint_fast8_t begin_spans(span *s, const gorse_canvas *c, const gorse_rect *wanted, gorse_rect *area) {
    *area = *wanted;
    s->c = c;
    s->n = 0;
    if (gorse_clip(area, &c->clip) == 0u)
        return 0;
    s->x = area->x0;
    s->y = area->y0;
    return 1;
}

static GORSE_OWN_FRAME void fill_span(const span *s, gorse_outline *outline, const void *shape, gorse_colour colour) {
    gorse_cover part;
    cover(&part, s->c, s->x, s->y, s->n, outline, shape);
    gorse_cover_paint(&part, s->c, colour);
}

void gorse_fill_outline(const gorse_canvas *c, const gorse_rect *wanted, gorse_outline *outline, const void *shape,
                        gorse_colour colour) {
    span s;
    gorse_rect area;
    if (gorse_alpha(colour) != 0u && begin_spans(&s, c, wanted, &area) != 0u)
        while (next_span(&s, &area, GORSE_COVER_CHUNK) != 0u)
            fill_span(&s, outline, shape, colour);
}

/* Mixes a colour by coverage, in as many pixels at a time as a span can have. */
static void mask_pixels(const span *s, const uint8_t *coverage, gorse_colour colour) {
    uint16_t at, n;
    for (at = 0; at < s->n; at = (uint16_t)(at + n)) {
        n = (uint16_t)(s->n - at < GORSE_CHUNK ? s->n - at : GORSE_CHUNK);
        gorse_mask_span(s->c, (gorse_coord)(s->x + (gorse_coord)at), s->y, n, coverage + at, colour);
    }
}

/* Splits the coverage of a shape and of its border into the border's and the rest. */
static void draw_split(const span *s, uint8_t *whole, uint8_t *border, const gorse_look *look) {
    const uint16_t n = s->n;
    uint16_t i;
    for (i = 0; i < n; i++)
        border[i] = (uint8_t)(whole[i] > border[i] ? whole[i] - border[i] : 0);
    /* What shines through is the ground, not the border. */
    for (i = 0; i < n && gorse_alpha(look->fill) != 255u; i++)
        whole[i] = (uint8_t)(whole[i] - border[i]);
    mask_pixels(s, whole, look->border);
    mask_pixels(s, border, look->fill);
}

static GORSE_OWN_FRAME void draw_bordered(const span *s, gorse_outline *outline, gorse_outline *border,
                                          const void *shape, const gorse_look *look) {
    gorse_cover part;
    uint8_t whole[GORSE_COVER_CHUNK];
    memcpy(whole, covered(&part, s, s->x, s->y, s->n, outline, shape), s->n);
    draw_split(s, whole, covered(&part, s, s->x, s->y, s->n, border, shape), look);
}

/* A border of one pixel on panels of one bit: the pixels inside that have a neighbour above, below, left or right which
 * is outside. So it is closed and has no pixel more than that takes. */
static GORSE_OWN_FRAME void draw_crisp_edge(const span *s, gorse_outline *outline, const void *shape,
                                            const gorse_look *look) {
    gorse_cover part;
    uint8_t whole[GORSE_COVER_CHUNK], edge[GORSE_COVER_CHUNK];
    const uint8_t *row;
    const gorse_coord left = (gorse_coord)(s->x - 1);
    const uint16_t n = (uint16_t)(s->n + 2u);
    uint16_t i;
    memcpy(whole, covered(&part, s, left, s->y, n, outline, shape), n);
    row = covered(&part, s, left, (gorse_coord)(s->y - 1), n, outline, shape);
    for (i = 0; i < s->n; i++)
        edge[i] = (uint8_t)(row[i + 1u] & whole[i] & whole[i + 2u]);
    row = covered(&part, s, left, (gorse_coord)(s->y + 1), n, outline, shape);
    for (i = 0; i < s->n; i++) {
        whole[i] = whole[i + 1u];
        edge[i] = (uint8_t)(whole[i] & (uint8_t) ~(edge[i] & row[i + 1u]));
    }
    draw_split(s, whole, edge, look);
}

void gorse_draw_outline(const gorse_canvas *c, const gorse_rect *wanted, gorse_outline *outline, gorse_outline *border,
                        const void *shape, const gorse_look *look) {
    span s;
    gorse_rect area;
    const uint_fast8_t crisp_edge = (uint_fast8_t)(is_crisp(c) != 0u && look->border_width == 1u);
    if (look->border_width == 0u) {
        gorse_fill_outline(c, wanted, outline, shape, look->fill);
        return;
    }
    if (begin_spans(&s, c, wanted, &area) == 0u)
        return;
    while (next_span(&s, &area, (uint16_t)(GORSE_COVER_CHUNK - (crisp_edge != 0u ? 2 : 0))) != 0u)
        if (crisp_edge != 0u)
            draw_crisp_edge(&s, outline, shape, look);
        else
            draw_bordered(&s, outline, border, shape, look);
}
