/* SPDX-License-Identifier: MIT */
/* A part of a ring as long as a value, from the value of its origin on; whole, or in parts. Its state is where it ends.
 */
#include "gorse_ring.h"

static const gorse_widget_ring *ring_of(const gorse_widget *widget) {
    return (const gorse_widget_ring *)(const void *)widget;
}

/* Where the ring runs. */
typedef struct track {
    gorse_sector sector;
    uint16_t sweep, steps, gap;
} track;

static uint_fast8_t has_parts(const gorse_widget_ring *r) { return (uint_fast8_t)(r->parts > 1u); }

static void measure(const gorse_widget_ring *r, const gorse_look *look, track *out) {
    const gorse_sector *s = &out->sector;
    gorse_ring_form form;
    gorse_rect box;
    form.from_angle = r->from_angle;
    form.to_angle = r->to_angle;
    form.thickness = r->thickness;
    form.ends = has_parts(r) != 0u ? (uint8_t)GORSE_ENDS_FLAT : r->ends;
    form.border = look->border_width;
    gorse_widget_box(&r->shown.widget, &box);
    out->sweep = gorse_measure_ring(&form, &box, &out->sector);
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

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_ring *r = ring_of(widget);
    gorse_reach moved;
    gorse_rect box;
    track t;
    measure(r, look, &t);
    gorse_widget_box(widget, &box);
    if (gorse_move_reach(g, &r->shown, t.steps, &moved) != 0u)
        gorse_mark_ring(g, &box, &t.sector, step_at(r, &t, moved.from), step_at(r, &t, moved.end));
    return 0;
}

static void draw_parts(const gorse_canvas *c, const gorse_widget_ring *r, const track *t, const gorse_look *look,
                       uint16_t from, uint16_t end) {
    gorse_look part = *look;
    uint16_t i;
    for (i = 0; i < r->parts; i++) {
        const uint16_t first = step_at(r, t, i), next = step_at(r, t, (uint16_t)(i + 1u));
        part.fill = i >= from && i < end ? look->text : look->fill;
        gorse_draw_ring_part(c, &t->sector, first, (uint16_t)(next > t->gap ? next - t->gap : 0), &part);
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
        gorse_draw_ring_part(c, &t.sector, 0, t.sweep, look);
        ink.fill = look->text;
        ink.border_width = 0;
        gorse_draw_ring_part(c, &t.sector, shown.from, shown.end, &ink);
    }
}

const GORSE_ROM gorse_kind gorse_kind_ring = {sizeof(gorse_widget_ring), 0, draw, command, tick, gorse_wait_for_value};
