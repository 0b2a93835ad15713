/* SPDX-License-Identifier: MIT */
/* An ellipse, or what a hole and two angles leave of it. */
#include "gorse_cover.h"

typedef struct disc_shape {
    gorse_ellipse outer, hole;
    uint16_t from, to; /* degrees below 360; equal: all round */
    uint8_t border;    /* pixels */
} disc_shape;

/* Makes an ellipse of the same middle, smaller by so many pixels; at least a point. */
static void shrunk(const gorse_ellipse *of, int16_t pixels, gorse_ellipse *out) {
    const int32_t by = (int32_t)pixels * GORSE_FINE;
    out->centre = of->centre;
    out->radius.x = of->radius.x > by ? of->radius.x - by : 0;
    out->radius.y = of->radius.y > by ? of->radius.y - by : 0;
}

/* What is between two ellipses and the two angles. */
static void add_ring(gorse_cover *to, const disc_shape *s, const gorse_ellipse *outer, const gorse_ellipse *inner) {
    gorse_fine from, end, inner_from, inner_end;
    if (s->from == s->to) {
        gorse_cover_ellipse(to, outer, GORSE_CLOCKWISE);
        gorse_cover_ellipse(to, inner, GORSE_ANTICLOCKWISE);
        return;
    }
    gorse_point_at(outer, s->from, &from);
    gorse_point_at(outer, s->to, &end);
    gorse_point_at(inner, s->from, &inner_from);
    gorse_point_at(inner, s->to, &inner_end);
    gorse_cover_arc(to, outer, s->from, s->to, GORSE_CLOCKWISE);
    gorse_cover_line(to, &end, &inner_end);
    gorse_cover_arc(to, inner, s->from, s->to, GORSE_ANTICLOCKWISE);
    gorse_cover_line(to, &inner_from, &from);
}

/* The border along a straight side: at `angle`, as wide as the border towards `inside`. */
static void add_side(gorse_cover *to, const disc_shape *s, uint16_t angle, uint16_t inside) {
    gorse_ellipse width;
    gorse_fine corner[4];
    uint_fast8_t i;
    width.radius.x = width.radius.y = (int32_t)s->border * GORSE_FINE;
    gorse_point_at(&s->outer, angle, &corner[0]);
    gorse_point_at(&s->hole, angle, &corner[3]);
    /* Beyond the middle, so that two sides meet there. */
    if (s->hole.radius.x == 0 || s->hole.radius.y == 0) {
        width.centre = corner[3];
        gorse_point_at(&width, (uint16_t)((angle + 180u) % 360u), &corner[3]);
    }
    for (i = 0; i < 2u; i++) {
        width.centre = corner[i == 0u ? 0 : 3];
        gorse_point_at(&width, inside, &corner[1u + i]);
    }
    /* Both sides have to go round the same way. */
    for (i = 0; i < 4u; i++)
        if (inside == (angle + 90u) % 360u)
            gorse_cover_line(to, &corner[i], &corner[(i + 1u) % 4u]);
        else
            gorse_cover_line(to, &corner[(i + 1u) % 4u], &corner[i]);
}

static void add_border(gorse_cover *to, const disc_shape *s) {
    gorse_ellipse inner;
    shrunk(&s->outer, s->border, &inner);
    add_ring(to, s, &s->outer, &inner);
    if (s->hole.radius.x != 0 && s->hole.radius.y != 0) {
        shrunk(&s->hole, (int16_t)-s->border, &inner);
        add_ring(to, s, &inner, &s->hole);
    }
    if (s->from != s->to) {
        add_side(to, s, s->from, (uint16_t)((s->from + 90u) % 360u));
        add_side(to, s, s->to, (uint16_t)((s->to + 270u) % 360u));
    }
}

/* Draws the first `n` pixels of a part of a row. */
static GORSE_OWN_FRAME void draw_filled(const gorse_canvas *c, const disc_shape *s, const gorse_look *look,
                                        gorse_coord x, gorse_coord y, uint_fast8_t n) {
    gorse_cover cover;
    gorse_cover_begin(&cover, x, y);
    add_ring(&cover, s, &s->outer, &s->hole);
    gorse_mask_span(c, x, y, (uint16_t)n, gorse_cover_end(&cover), look->fill);
}

static GORSE_OWN_FRAME void draw_bordered(const gorse_canvas *c, const disc_shape *s, const gorse_look *look,
                                          gorse_coord x, gorse_coord y, uint_fast8_t n) {
    gorse_cover cover;
    uint8_t outer[GORSE_COVER_CHUNK];
    uint8_t *inner;
    uint_fast8_t i;
    gorse_cover_begin(&cover, x, y);
    add_ring(&cover, s, &s->outer, &s->hole);
    memcpy(outer, gorse_cover_end(&cover), sizeof outer);
    gorse_cover_begin(&cover, x, y);
    add_border(&cover, s);
    inner = gorse_cover_end(&cover);
    for (i = 0; i < n; i++) {
        inner[i] = (uint8_t)(outer[i] > inner[i] ? outer[i] - inner[i] : 0);
        /* What shines through is the ground, not the border. */
        if (gorse_alpha(look->fill) != 255u)
            outer[i] = (uint8_t)(outer[i] - inner[i]);
    }
    gorse_mask_span(c, x, y, (uint16_t)n, outer, look->border);
    gorse_mask_span(c, x, y, (uint16_t)n, inner, look->fill);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_disc *disc = (const gorse_widget_disc *)(const void *)widget;
    disc_shape s;
    gorse_rect box;
    gorse_coord x, y;
    gorse_widget_box(widget, &box);
    if (gorse_is_empty(&box) != 0u)
        return;
    s.outer.centre.x = ((int32_t)box.x0 + box.x1) * (GORSE_FINE / 2);
    s.outer.centre.y = ((int32_t)box.y0 + box.y1) * (GORSE_FINE / 2);
    s.outer.radius.x = ((int32_t)box.x1 - box.x0) * (GORSE_FINE / 2);
    s.outer.radius.y = ((int32_t)box.y1 - box.y0) * (GORSE_FINE / 2);
    s.hole.centre = s.outer.centre;
    s.hole.radius.x = s.outer.radius.x * disc->hole / 100;
    s.hole.radius.y = s.outer.radius.y * disc->hole / 100;
    s.from = (uint16_t)(disc->from_angle % 360u);
    s.to = (uint16_t)(disc->to_angle % 360u);
    s.border = look->border_width;
    if (gorse_clip(&box, &c->clip) == 0u)
        return;
    for (y = box.y0; y < box.y1; y++)
        for (x = box.x0; x < box.x1; x = (gorse_coord)(x + GORSE_COVER_CHUNK)) {
            const uint_fast8_t n = (uint_fast8_t)gorse_min((gorse_coord)(box.x1 - x), GORSE_COVER_CHUNK);
            if (s.border != 0u)
                draw_bordered(c, &s, look, x, y, n);
            else
                draw_filled(c, &s, look, x, y, n);
        }
}

const GORSE_ROM gorse_kind gorse_kind_disc = {sizeof(gorse_widget_disc), 0, draw, 0, 0, 0};
