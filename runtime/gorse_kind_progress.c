/* SPDX-License-Identifier: MIT */
/* A bar as long as a value, from the value of its origin on; whole, or in parts. Its state is where it ends. */
#include "gorse_internal.h"

static const gorse_widget_progress *progress_of(const gorse_widget *widget) {
    return (const gorse_widget_progress *)(const void *)widget;
}

/* Where the bar runs: inside border and padding. `length` is in its direction; parts count in whole ones. */
typedef struct bar {
    gorse_rect box;
    uint16_t length, steps;
} bar;

static uint_fast8_t is_upright(const gorse_widget_progress *p) { return (uint_fast8_t)(p->direction & 1u); }

static uint_fast8_t has_parts(const gorse_widget_progress *p) { return (uint_fast8_t)(p->parts > 1u); }

static void measure(const gorse_widget_progress *p, const gorse_look *look, bar *out) {
    gorse_coord length;
    gorse_widget_box(&p->shown.widget, &out->box);
    gorse_shrink(&out->box, (gorse_coord)(look->border_width + look->padding));
    length = (gorse_coord)(is_upright(p) != 0u ? out->box.y1 - out->box.y0 : out->box.x1 - out->box.x0);
    out->length = (uint16_t)(gorse_is_empty(&out->box) != 0u ? 0 : length);
    out->steps = has_parts(p) != 0u ? p->parts : out->length;
}

/* What is between two distances from where the direction begins. */
static void piece(const gorse_widget_progress *p, const bar *b, uint16_t from, uint16_t to, gorse_rect *out) {
    *out = b->box;
    if (p->direction == GORSE_DIRECTION_RIGHT) {
        out->x0 = (gorse_coord)(b->box.x0 + (gorse_coord)from);
        out->x1 = (gorse_coord)(b->box.x0 + (gorse_coord)to);
    } else if (p->direction == GORSE_DIRECTION_LEFT) {
        out->x0 = (gorse_coord)(b->box.x1 - (gorse_coord)to);
        out->x1 = (gorse_coord)(b->box.x1 - (gorse_coord)from);
    } else if (p->direction == GORSE_DIRECTION_DOWN) {
        out->y0 = (gorse_coord)(b->box.y0 + (gorse_coord)from);
        out->y1 = (gorse_coord)(b->box.y0 + (gorse_coord)to);
    } else {
        out->y0 = (gorse_coord)(b->box.y1 - (gorse_coord)to);
        out->y1 = (gorse_coord)(b->box.y1 - (gorse_coord)from);
    }
}

/* Where a step begins, in pixels of the bar. A gap is behind each part but the last. */
static uint16_t step_at(const gorse_widget_progress *p, const bar *b, uint16_t step) {
    if (has_parts(p) == 0u)
        return step;
    return (uint16_t)((uint32_t)((uint32_t)b->length + p->part_gap) * step / p->parts);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    const gorse_widget_progress *p = progress_of(widget);
    bar b;
    measure(p, look, &b);
    gorse_enter_reach(g, &p->shown, what, b.steps);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_progress *p = progress_of(widget);
    gorse_reach moved;
    gorse_rect changed, box;
    bar b;
    measure(p, look, &b);
    if (gorse_move_reach(g, &p->shown, b.steps, &moved) == 0u)
        return 0;
    piece(p, &b, step_at(p, &b, moved.from), step_at(p, &b, moved.end), &changed);
    gorse_widget_box(widget, &box);
    if (gorse_clip(&changed, &box) != 0u)
        gorse_dirty(g, &changed);
    return 0;
}

static void draw_parts(const gorse_canvas *c, const gorse_widget_progress *p, const bar *b, const gorse_look *look,
                       uint16_t from, uint16_t to) {
    gorse_look part = *look;
    gorse_rect box;
    uint16_t i;
    part.border_width = 0;
    for (i = 0; i < p->parts; i++) {
        uint16_t first = step_at(p, b, i), end = step_at(p, b, (uint16_t)(i + 1u));
        end = (uint16_t)(end > p->part_gap ? end - p->part_gap : 0);
        if (end <= first)
            continue;
        piece(p, b, first, end, &box);
        part.fill = i >= from && i < to ? look->text : look->fill;
        gorse_draw_box(c, &box, &part);
    }
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_progress *p = progress_of(widget);
    bar b;
    gorse_reach shown;
    measure(p, look, &b);
    shown = gorse_shown_reach(c->run, &p->shown, b.steps);
    if (has_parts(p) != 0u) {
        draw_parts(c, p, &b, look, shown.from, shown.end);
    } else {
        gorse_canvas inside = *c;
        gorse_look ink = *look;
        gorse_rect box;
        uint8_t inset = (uint8_t)gorse_min(255, (gorse_coord)(look->border_width + look->padding));
        gorse_widget_box(widget, &box);
        gorse_draw_box(c, &box, look);
        ink.fill = look->text;
        ink.border_width = 0;
        ink.radius = (uint8_t)(look->radius > inset ? look->radius - inset : 0);
        piece(p, &b, shown.from, shown.end, &box);
        if (gorse_clip(&inside.clip, &box) != 0u)
            gorse_draw_box(&inside, &b.box, &ink);
    }
}

const GORSE_ROM gorse_kind gorse_kind_progress = {sizeof(gorse_widget_progress), 0, draw, command, tick,
                                                  gorse_wait_for_value};
