/* SPDX-License-Identifier: MIT */
#include "gorse_ring.h"

uint16_t gorse_measure_ring(const gorse_ring_form *form, const gorse_rect *box, gorse_sector *out) {
    gorse_ellipse_in(box, &out->outer);
    if (gorse_is_empty(box) != 0u)
        out->outer.radius.x = out->outer.radius.y = 0;
    if (out->outer.radius.x > out->outer.radius.y)
        out->outer.radius.x = out->outer.radius.y;
    out->outer.radius.y = out->outer.radius.x;
    out->from = (uint16_t)(form->from_angle % 360u * GORSE_DEGREE);
    out->to = (uint16_t)(form->to_angle % 360u * GORSE_DEGREE);
    out->ends = form->ends;
    out->border = form->border;
    gorse_smaller_ellipse(&out->outer, (int32_t)form->thickness * GORSE_FINE, &out->hole);
    return (uint16_t)(out->to + (out->to <= out->from ? GORSE_TURN : 0u) - out->from);
}

uint16_t gorse_ring_angle(const gorse_sector *ring, uint16_t distance) {
    return (uint16_t)(((uint32_t)ring->from + distance) % GORSE_TURN);
}

/* The box of what lies between a distance and another, or the end of the quarter that the first is in. Returns where it
 * ends. */
static GORSE_OWN_FRAME uint16_t box_in_quarter(const gorse_sector *ring, uint16_t from, uint16_t end, gorse_rect *out) {
    const uint16_t quarter = GORSE_TURN / 4u, first = gorse_ring_angle(ring, from);
    const int32_t more = ring->ends == GORSE_ENDS_ROUND ? (ring->outer.radius.x - ring->hole.radius.x) / 2 : 0;
    uint16_t length = (uint16_t)(quarter - first % quarter), last;
    gorse_fine points[4];
    length = length < end - from ? length : (uint16_t)(end - from);
    last = (uint16_t)((first + length) % GORSE_TURN);
    gorse_point_at(&ring->outer, first, &points[0]);
    gorse_point_at(&ring->outer, last, &points[1]);
    gorse_point_at(&ring->hole, first, &points[2]);
    gorse_point_at(&ring->hole, last, &points[3]);
    gorse_box_around(points, 4, more, out);
    return (uint16_t)(from + length);
}

void gorse_mark_ring(gorse *g, const gorse_rect *box, const gorse_sector *ring, uint16_t from, uint16_t end) {
    gorse_rect changed;
    while (from < end) {
        from = box_in_quarter(ring, from, end, &changed);
        if (gorse_clip(&changed, box) != 0u)
            gorse_dirty(g, &changed);
    }
}

void gorse_draw_ring_part(const gorse_canvas *c, const gorse_sector *ring, uint16_t from, uint16_t end,
                          const gorse_look *look) {
    gorse_sector s = *ring;
    gorse_rect area, more;
    if (end <= from)
        return;
    s.from = gorse_ring_angle(ring, from);
    s.to = gorse_ring_angle(ring, end);
    s.border = look->border_width;
    from = box_in_quarter(ring, from, end, &area);
    while (from < end) {
        from = box_in_quarter(ring, from, end, &more);
        gorse_join(&area, &more);
    }
    gorse_draw_outline(c, &area, gorse_add_sector, gorse_add_sector_border, &s, look);
}
