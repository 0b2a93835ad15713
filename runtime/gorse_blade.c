/* SPDX-License-Identifier: MIT */
#include "gorse_blade.h"

void gorse_polar(const gorse_fine *from, int32_t radius, uint16_t angle, gorse_fine *out) {
    gorse_ellipse round;
    round.centre = *from;
    round.radius.x = round.radius.y = radius > 0 ? radius : 0;
    gorse_point_at(&round, angle, out);
}

static void add_blade(gorse_cover *to, const void *shape) {
    const gorse_blade *b = (const gorse_blade *)shape;
    uint_fast8_t i;
    for (i = 0; i < 4u; i++)
        gorse_cover_line(to, &b->corners[i], &b->corners[(i + 1u) % 4u]);
}

void gorse_draw_blade(const gorse_canvas *c, const gorse_blade *blade, gorse_colour colour) {
    gorse_rect area;
    gorse_box_around(blade->corners, 4, 0, &area);
    gorse_fill_outline(c, &area, add_blade, blade, colour);
}

GORSE_OWN_FRAME void gorse_draw_hand(const gorse_canvas *c, const gorse_hand *hand, gorse_colour colour) {
    gorse_blade blade;
    gorse_polar(&hand->pivot, hand->length, hand->angle, &blade.corners[0]);
    gorse_polar(&hand->pivot, hand->half, gorse_quarters_on(hand->angle, 1), &blade.corners[1]);
    gorse_polar(&hand->pivot, hand->tail, gorse_quarters_on(hand->angle, 2), &blade.corners[2]);
    gorse_polar(&hand->pivot, hand->half, gorse_quarters_on(hand->angle, 3), &blade.corners[3]);
    gorse_draw_blade(c, &blade, colour);
}

GORSE_OWN_FRAME void gorse_draw_hub(const gorse_canvas *c, const gorse_fine *pivot, int32_t radius,
                                    const gorse_rect *box, gorse_colour colour) {
    gorse_sector hub;
    hub.outer.centre = hub.hole.centre = *pivot;
    hub.outer.radius.x = hub.outer.radius.y = radius;
    hub.hole.radius.x = hub.hole.radius.y = 0;
    hub.from = hub.to = 0;
    hub.border = 0;
    hub.ends = GORSE_ENDS_FLAT;
    gorse_fill_outline(c, box, gorse_add_sector, &hub, colour);
}

void gorse_mark_hand(gorse *g, const gorse_hand *hand, const gorse_rect *box) {
    uint_fast8_t i;
    for (i = 0; i < 4u; i++) {
        gorse_fine ends[2];
        gorse_rect part;
        uint_fast8_t k;
        for (k = 0; k < 2u; k++) {
            const int32_t at = (hand->length + hand->tail) / 4 * (int32_t)(i + k) - hand->tail;
            gorse_polar(&hand->pivot, at < 0 ? -at : at, at < 0 ? gorse_quarters_on(hand->angle, 2) : hand->angle,
                        &ends[k]);
        }
        gorse_box_around(ends, 2, hand->half + GORSE_FINE, &part);
        if (gorse_clip(&part, box) != 0u)
            gorse_dirty(g, &part);
    }
}
