/* SPDX-License-Identifier: MIT */
/* A part of a ring as long as a value, from the value of its origin on; whole, or in parts. Its state is where it ends.
 */
#include "gorse_cover.h"
#include "gorse_internal.h"

static const gorse_widget_ring *ring_of(const gorse_widget *widget) {
    return (const gorse_widget_ring *)(const void *)widget;
}

/* Where the ring runs: the largest one in its box. Distances along it count from where it begins, in 1/64 degree. */
typedef struct track {
    gorse_sector sector;
    uint16_t sweep, steps, gap;
} track;

static uint_fast8_t has_parts(const gorse_widget_ring *r) { return (uint_fast8_t)(r->parts > 1u); }

static void measure(const gorse_widget_ring *r, const gorse_look *look, track *out) {
    gorse_sector *s = &out->sector;
    gorse_rect box;
    int32_t thick = (int32_t)r->thickness * GORSE_FINE;
    gorse_widget_box(&r->shown.widget, &box);
    gorse_ellipse_in(&box, &s->outer);
    if (gorse_is_empty(&box) != 0u)
        s->outer.radius.x = s->outer.radius.y = 0;
    if (s->outer.radius.x > s->outer.radius.y)
        s->outer.radius.x = s->outer.radius.y;
    s->outer.radius.y = s->outer.radius.x;
    s->from = (uint16_t)(r->from_angle % 360u * GORSE_DEGREE);
    s->to = (uint16_t)(r->to_angle % 360u * GORSE_DEGREE);
    s->ends = has_parts(r) != 0u ? (uint8_t)GORSE_ENDS_FLAT : r->ends;
    s->border = look->border_width;
    out->sweep = (uint16_t)(s->to + (s->to <= s->from ? GORSE_TURN : 0u) - s->from);
    gorse_smaller_ellipse(&s->outer, thick, &s->hole);
    out->gap = 0;
    /* 1/64 degree of a circle whose radius is so many pixels: 64 * 180 / pi. */
    if (has_parts(r) != 0u && s->outer.radius.x > 0) {
        const uint32_t gap =
            (uint32_t)r->part_gap * 3667u * (2u * GORSE_FINE) / (uint32_t)(s->outer.radius.x + s->hole.radius.x);
        out->gap = (uint16_t)(gap < GORSE_TURN ? gap : GORSE_TURN);
    }
    out->steps = has_parts(r) != 0u ? r->parts : out->sweep;
}

/* Where a step begins. A gap is behind each part but the last, unless the ring is closed. */
static uint16_t step_at(const gorse_widget_ring *r, const track *t, uint16_t step) {
    if (has_parts(r) == 0u)
        return step;
    return (uint16_t)(((uint32_t)t->sweep + (t->sweep == GORSE_TURN ? 0u : t->gap)) * step / r->parts);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    const gorse_widget_ring *r = ring_of(widget);
    track t;
    measure(r, look, &t);
    gorse_enter_reach(g, &r->shown, what, t.steps);
}

static uint16_t angle_at(const track *t, uint16_t distance) {
    return (uint16_t)(((uint32_t)t->sector.from + distance) % GORSE_TURN);
}

/* The box of what lies between a distance and another, or the end of the quarter that the first is in. Returns where it
 * ends. */
static GORSE_OWN_FRAME uint16_t box_in_quarter(const track *t, uint16_t from, uint16_t end, gorse_rect *out) {
    const uint16_t quarter = GORSE_TURN / 4u, first = angle_at(t, from);
    const int32_t more =
        t->sector.ends == GORSE_ENDS_ROUND ? (t->sector.outer.radius.x - t->sector.hole.radius.x) / 2 : 0;
    uint16_t length = (uint16_t)(quarter - first % quarter), last;
    gorse_fine points[4];
    length = length < end - from ? length : (uint16_t)(end - from);
    last = (uint16_t)((first + length) % GORSE_TURN);
    gorse_point_at(&t->sector.outer, first, &points[0]);
    gorse_point_at(&t->sector.outer, last, &points[1]);
    gorse_point_at(&t->sector.hole, first, &points[2]);
    gorse_point_at(&t->sector.hole, last, &points[3]);
    gorse_box_around(points, 4, more, out);
    return (uint16_t)(from + length);
}

/* Marks what lies between two distances: a box in each quarter. */
static void mark(gorse *g, const gorse_widget *widget, const track *t, uint16_t from, uint16_t end) {
    gorse_rect box, changed;
    gorse_widget_box(widget, &box);
    while (from < end) {
        from = box_in_quarter(t, from, end, &changed);
        if (gorse_clip(&changed, &box) != 0u)
            gorse_dirty(g, &changed);
    }
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_ring *r = ring_of(widget);
    gorse_reach moved;
    track t;
    measure(r, look, &t);
    if (gorse_move_reach(g, &r->shown, t.steps, &moved) != 0u)
        mark(g, widget, &t, step_at(r, &t, moved.from), step_at(r, &t, moved.end));
    return 0;
}

/* Draws what lies between two distances. */
static void draw_between(const gorse_canvas *c, const track *t, uint16_t from, uint16_t end, const gorse_look *look) {
    gorse_sector s = t->sector;
    gorse_rect area, more;
    if (end <= from)
        return;
    s.from = angle_at(t, from);
    s.to = angle_at(t, end);
    s.border = look->border_width;
    from = box_in_quarter(t, from, end, &area);
    while (from < end) {
        from = box_in_quarter(t, from, end, &more);
        gorse_join(&area, &more);
    }
    gorse_draw_outline(c, &area, gorse_add_sector, gorse_add_sector_border, &s, look);
}

static void draw_parts(const gorse_canvas *c, const gorse_widget_ring *r, const track *t, const gorse_look *look,
                       uint16_t from, uint16_t end) {
    gorse_look part = *look;
    uint16_t i;
    for (i = 0; i < r->parts; i++) {
        const uint16_t first = step_at(r, t, i), next = step_at(r, t, (uint16_t)(i + 1u));
        part.fill = i >= from && i < end ? look->text : look->fill;
        draw_between(c, t, first, (uint16_t)(next > t->gap ? next - t->gap : 0), &part);
    }
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_ring *r = ring_of(widget);
    track t;
    gorse_reach shown;
    measure(r, look, &t);
    shown = gorse_shown_reach(c->run, &r->shown, t.steps);
    if (has_parts(r) != 0u) {
        draw_parts(c, r, &t, look, shown.from, shown.end);
    } else {
        gorse_look ink = *look;
        draw_between(c, &t, 0, t.sweep, look);
        ink.fill = look->text;
        ink.border_width = 0;
        draw_between(c, &t, shown.from, shown.end, &ink);
    }
}

const GORSE_ROM gorse_kind gorse_kind_ring = {sizeof(gorse_widget_ring), 0, draw, command, tick, gorse_wait_for_value};
