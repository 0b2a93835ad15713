/* SPDX-License-Identifier: MIT */
/* A bar as long as a value, from the value of its origin on; whole, or in parts. Its state is where it ends. */
#include "gorse_progress.h"

static const gorse_widget_progress *progress_of(const gorse_widget *widget) {
    return (const gorse_widget_progress *)(const void *)widget;
}

static uint_fast8_t is_upright(const gorse_widget_progress *p) { return (uint_fast8_t)(p->direction & 1u); }

uint_fast8_t gorse_bar_has_parts(const gorse_widget_progress *p) { return (uint_fast8_t)(p->parts > 1u); }

void gorse_measure_bar(const gorse_widget_progress *p, const gorse_look *look, gorse_bar *out) {
    gorse_coord length;
    gorse_widget_box(&p->shown.widget, &out->box);
    gorse_shrink(&out->box, (gorse_coord)(look->border_width + look->padding));
    length = (gorse_coord)(is_upright(p) != 0u ? out->box.y1 - out->box.y0 : out->box.x1 - out->box.x0);
    out->length = (uint16_t)(gorse_is_empty(&out->box) != 0u ? 0 : length);
    out->steps = gorse_bar_has_parts(p) != 0u ? p->parts : out->length;
}

/* Where a step begins, in pixels of the bar. A gap is behind each part but the last. */
static uint16_t step_at(const gorse_widget_progress *p, const gorse_bar *b, uint16_t step) {
    if (gorse_bar_has_parts(p) == 0u)
        return step;
    return (uint16_t)((uint32_t)((uint32_t)b->length + p->part_gap) * step / p->parts);
}

/* What is between two distances from where the direction begins. */
static void between(const gorse_widget_progress *p, const gorse_bar *b, uint16_t from, uint16_t to, gorse_rect *out) {
    *out = b->box;
    if (p->direction == GORSE_DIRECTION_LEFT || p->direction == GORSE_DIRECTION_UP) {
        const uint16_t end = (uint16_t)(b->length - from);
        from = (uint16_t)(b->length - to);
        to = end;
    }
    if (is_upright(p) != 0u) {
        out->y1 = (gorse_coord)(out->y0 + (gorse_coord)to);
        out->y0 = (gorse_coord)(out->y0 + (gorse_coord)from);
    } else {
        out->x1 = (gorse_coord)(out->x0 + (gorse_coord)to);
        out->x0 = (gorse_coord)(out->x0 + (gorse_coord)from);
    }
}

uint_fast8_t gorse_bar_piece(const gorse_widget_progress *p, const gorse_bar *b, uint16_t from, uint16_t to,
                             gorse_rect *out) {
    const uint16_t first = step_at(p, b, from), gap = gorse_bar_has_parts(p) != 0u ? p->part_gap : 0u;
    uint16_t end = step_at(p, b, to);
    end = (uint16_t)(end > gap ? end - gap : 0);
    between(p, b, first, end, out);
    return (uint_fast8_t)(first < end);
}

void gorse_progress_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    const gorse_widget_progress *p = progress_of(widget);
    gorse_bar b;
    gorse_measure_bar(p, look, &b);
    gorse_enter_reach(g, &p->shown, what, b.steps);
}

uint8_t gorse_progress_tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_progress *p = progress_of(widget);
    gorse_reach moved;
    gorse_rect changed, box;
    gorse_bar b;
    gorse_measure_bar(p, look, &b);
    if (gorse_move_reach(g, &p->shown, b.steps, &moved) == 0u ||
        gorse_bar_piece(p, &b, moved.from, moved.end, &changed) == 0u)
        return 0;
    gorse_widget_box(widget, &box);
    if (gorse_clip(&changed, &box) != 0u)
        gorse_dirty(g, &changed);
    return 0;
}

void gorse_draw_parts(const gorse_canvas *c, const gorse_widget_progress *p, const gorse_bar *b, const gorse_look *look,
                      const gorse_reach *shown) {
    gorse_look part = *look;
    gorse_rect box;
    uint16_t i;
    part.border_width = 0;
    for (i = 0; i < p->parts; i++) {
        part.fill = i >= shown->from && i < shown->end ? look->text : look->fill;
        if (gorse_bar_piece(p, b, i, (uint16_t)(i + 1u), &box) != 0u)
            gorse_draw_box(c, &box, &part);
    }
}

void gorse_draw_progress(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_progress *p = progress_of(widget);
    gorse_bar b;
    gorse_reach shown;
    gorse_measure_bar(p, look, &b);
    shown = gorse_shown_reach(c->run, &p->shown, b.steps);
    if (gorse_bar_has_parts(p) != 0u) {
        gorse_draw_parts(c, p, &b, look, &shown);
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
        if (gorse_bar_piece(p, &b, shown.from, shown.end, &box) != 0u && gorse_clip(&inside.clip, &box) != 0u)
            gorse_draw_box(&inside, &b.box, &ink);
    }
}

const GORSE_ROM gorse_kind gorse_kind_progress = {sizeof(gorse_widget_progress), 0,
                                                  gorse_draw_progress,           gorse_progress_command,
                                                  gorse_progress_tick,           gorse_wait_for_value};
