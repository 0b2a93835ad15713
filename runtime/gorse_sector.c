/* SPDX-License-Identifier: MIT */
/* What two angles leave of an ellipse with a hole, with flat or round ends. */
#include "gorse_cover.h"

/* The middle between two points. */
static void halfway(const gorse_fine *a, const gorse_fine *b, gorse_fine *out) {
    out->x = (a->x + b->x) / 2;
    out->y = (a->y + b->y) / 2;
}

/* Half a disc beyond the straight side at an angle. */
static void add_cap(gorse_cover *to, const gorse_sector *s, uint16_t angle, uint_fast8_t begins, int_fast8_t way) {
    gorse_ellipse disc;
    gorse_fine outer, inner;
    gorse_point_at(&s->outer, angle, &outer);
    gorse_point_at(&s->hole, angle, &inner);
    halfway(&outer, &inner, &disc.centre);
    disc.radius.x = (s->outer.radius.x - s->hole.radius.x) / 2;
    disc.radius.y = (s->outer.radius.y - s->hole.radius.y) / 2;
    if (begins != 0u)
        gorse_cover_cap(to, &disc, inner, outer, way);
    else
        gorse_cover_cap(to, &disc, outer, inner, way);
}

static void add_whole(gorse_cover *to, const gorse_sector *s, int_fast8_t way) {
    gorse_cover_ring(to, way == GORSE_CLOCKWISE ? &s->outer : &s->hole, way == GORSE_CLOCKWISE ? &s->hole : &s->outer,
                     s->from, s->to);
    if (s->ends == GORSE_ENDS_ROUND && s->from != s->to) {
        add_cap(to, s, s->from, 1, way);
        add_cap(to, s, s->to, 0, way);
    }
}

void gorse_add_sector(gorse_cover *to, const void *sector) {
    add_whole(to, (const gorse_sector *)sector, GORSE_CLOCKWISE);
}

/* The border along a straight side: at `angle`, as wide as the border towards `inside`. */
static void add_side(gorse_cover *to, const gorse_sector *s, uint16_t angle, uint16_t inside) {
    gorse_ellipse width;
    gorse_fine corner[4];
    uint_fast8_t i;
    width.radius.x = width.radius.y = (int32_t)s->border * GORSE_FINE;
    gorse_point_at(&s->outer, angle, &corner[0]);
    gorse_point_at(&s->hole, angle, &corner[3]);
    /* Beyond the middle, so that two sides meet there. */
    if (s->hole.radius.x == 0 || s->hole.radius.y == 0) {
        width.centre = corner[3];
        gorse_point_at(&width, (uint16_t)((angle + GORSE_TURN / 2u) % GORSE_TURN), &corner[3]);
    }
    for (i = 0; i < 2u; i++) {
        width.centre = corner[i == 0u ? 0 : 3];
        gorse_point_at(&width, inside, &corner[1u + i]);
    }
    /* Both sides have to go round the same way. */
    for (i = 0; i < 4u; i++)
        if (inside == (angle + GORSE_TURN / 4u) % GORSE_TURN)
            gorse_cover_line(to, &corner[i], &corner[(i + 1u) % 4u]);
        else
            gorse_cover_line(to, &corner[(i + 1u) % 4u], &corner[i]);
}

/* The border of a sector with round ends: what a smaller one of the same middle leaves. */
static void add_round_border(gorse_cover *to, const gorse_sector *s) {
    const int32_t border = (int32_t)s->border * GORSE_FINE;
    gorse_sector inner = *s;
    add_whole(to, s, GORSE_CLOCKWISE);
    gorse_smaller_ellipse(&s->outer, border, &inner.outer);
    gorse_smaller_ellipse(&s->hole, -border, &inner.hole);
    if (inner.outer.radius.x > inner.hole.radius.x && inner.outer.radius.y > inner.hole.radius.y)
        add_whole(to, &inner, GORSE_ANTICLOCKWISE);
}

void gorse_add_sector_border(gorse_cover *to, const void *sector) {
    const gorse_sector *s = (const gorse_sector *)sector;
    gorse_ellipse inner;
    if (s->ends == GORSE_ENDS_ROUND && s->from != s->to) {
        add_round_border(to, s);
        return;
    }
    gorse_smaller_ellipse(&s->outer, (int32_t)s->border * GORSE_FINE, &inner);
    gorse_cover_ring(to, &s->outer, &inner, s->from, s->to);
    if (s->hole.radius.x != 0 && s->hole.radius.y != 0) {
        gorse_smaller_ellipse(&s->hole, (int32_t)s->border * -GORSE_FINE, &inner);
        gorse_cover_ring(to, &inner, &s->hole, s->from, s->to);
    }
    if (s->from != s->to) {
        add_side(to, s, s->from, (uint16_t)((s->from + GORSE_TURN / 4u) % GORSE_TURN));
        add_side(to, s, s->to, (uint16_t)((s->to + GORSE_TURN / 4u * 3u) % GORSE_TURN));
    }
}
