/* SPDX-License-Identifier: MIT */
/* A box with border and rounded corners with smooth edges. A corner's coverage comes from the distance between the
 * pixel's middle and the corner's centre alone, in 1/16 pixel and without a root:
 * cover = clamp((R*R - d*d + 16R) / 32R), which is the linear edge one pixel wide, to within 0.6% on average. */
#include "gorse_draw.h"

uint8_t gorse_cover_corner(uint16_t column, uint16_t row, uint8_t inset, uint8_t radius) {
    uint16_t edge = (uint16_t)((uint16_t)inset + radius);
    uint32_t across, down, r, inside;
    if (row < inset || column < inset)
        return 0;
    if (row >= edge || column >= edge)
        return 255;
    across = (uint32_t)(uint16_t)(edge - column) * 16u - 8u;
    down = (uint32_t)(uint16_t)(edge - row) * 16u - 8u;
    r = (uint32_t)radius * 16u;
    inside = r * r + 16u * r;
    across = across * across + down * down;
    if (across >= inside)
        return 0;
    inside -= across;
    if (inside >= 32u * r)
        return 255;
    inside = (inside * (((uint32_t)8u << 16) / r)) >> 16;
    return inside > 255u ? 255u : (uint8_t)inside;
}

typedef struct box_shape {
    const gorse_canvas *c;
    gorse_rect row; /* what is drawn now: one row, or all of the straight part */
    gorse_colour fill, border;
    uint8_t border_width, radius, inner_radius;
    uint8_t zone; /* pixels from a side within which a row is not all one colour */
} box_shape;

#if GORSE_FAST
/* Both ends of a row, which are alike. */
static void draw_ends(const box_shape *s, gorse_coord x0, gorse_coord x1, uint16_t y, uint_fast8_t from,
                      uint_fast8_t n) {
    uint8_t outer[2][GORSE_CHUNK], inner[2][GORSE_CHUNK];
    const gorse_coord left = (gorse_coord)(x0 + (gorse_coord)from);
    const gorse_coord right = (gorse_coord)(x1 - (gorse_coord)from - (gorse_coord)n);
    uint_fast8_t i;
    for (i = 0; i < n; i++) {
        const uint16_t column = (uint16_t)(from + i);
        uint8_t border = s->border_width != 0u ? gorse_cover_corner(column, y, 0, s->radius) : 0u;
        const uint8_t fill = gorse_cover_corner(column, y, s->border_width, s->inner_radius);
        /* What shines through is the ground, not the border. */
        if (gorse_alpha(s->fill) != 255u)
            border = (uint8_t)(border - (border < fill ? border : fill));
        outer[0][i] = outer[1][n - 1u - i] = border;
        inner[0][i] = inner[1][n - 1u - i] = fill;
    }
    gorse_mask_span(s->c, left, s->row.y0, (uint16_t)n, outer[0], s->border);
    gorse_mask_span(s->c, left, s->row.y0, (uint16_t)n, inner[0], s->fill);
    gorse_mask_span(s->c, right, s->row.y0, (uint16_t)n, outer[1], s->border);
    gorse_mask_span(s->c, right, s->row.y0, (uint16_t)n, inner[1], s->fill);
}
#else
/* A chunk of a row's end in the corner zone, `from` pixels from the edge on; mirrored at the right. */
static void draw_end(const box_shape *s, gorse_coord x0, gorse_coord x1, uint16_t y, uint_fast8_t from, uint_fast8_t n,
                     uint_fast8_t right) {
    uint8_t outer[GORSE_CHUNK];
    uint8_t inner[GORSE_CHUNK];
    uint_fast8_t i;
    x0 = (gorse_coord)(right != 0u ? x1 - (gorse_coord)from - (gorse_coord)n : x0 + (gorse_coord)from);
    for (i = 0; i < n; i++, from++) {
        uint_fast8_t at = (uint_fast8_t)(right != 0u ? n - 1u - i : i);
        inner[at] = gorse_cover_corner((uint16_t)from, y, s->border_width, s->inner_radius);
        outer[at] = (uint8_t)(s->border_width != 0u ? gorse_cover_corner((uint16_t)from, y, 0, s->radius) : 0u);
        /* What shines through is the ground, not the border. */
        if (gorse_alpha(s->fill) != 255u)
            outer[at] = (uint8_t)(outer[at] - (outer[at] < inner[at] ? outer[at] : inner[at]));
    }
    gorse_mask_span(s->c, x0, s->row.y0, (uint16_t)n, outer, s->border);
    gorse_mask_span(s->c, x0, s->row.y0, (uint16_t)n, inner, s->fill);
}
#endif

static void fill_columns(box_shape *s, gorse_coord x0, gorse_coord x1, gorse_colour colour) {
    s->row.x0 = x0;
    s->row.x1 = x1;
    gorse_fill_rect(s->c, &s->row, colour);
}

static void draw_row(box_shape *s, gorse_coord x0, gorse_coord x1, uint16_t y) {
    uint8_t width = s->border_width;
    uint8_t from, n;
    gorse_colour middle = s->fill;
    if (y >= s->zone) {
        fill_columns(s, x0, (gorse_coord)(x0 + width), s->border);
        fill_columns(s, (gorse_coord)(x1 - width), x1, s->border);
    } else {
        if (y < width)
            middle = s->border;
        width = s->zone;
        for (from = 0; from < width; from = (uint8_t)(from + n)) {
            n = (uint8_t)(width - from);
            if (n > GORSE_CHUNK)
                n = GORSE_CHUNK;
#if GORSE_FAST
            draw_ends(s, x0, x1, y, from, n);
#else
            draw_end(s, x0, x1, y, from, n, 0);
            draw_end(s, x0, x1, y, from, n, 1);
#endif
        }
    }
    fill_columns(s, (gorse_coord)(x0 + width), (gorse_coord)(x1 - width), middle);
}

const GORSE_ROM uint8_t gorse_rounds_boxes = 1;

void gorse_draw_box(const gorse_canvas *c, const gorse_rect *box, const gorse_look *look) {
    box_shape s;
    gorse_coord half = (gorse_coord)(gorse_min((gorse_coord)(box->x1 - box->x0), (gorse_coord)(box->y1 - box->y0)) / 2);
    gorse_coord end = gorse_min(box->y1, c->clip.y1);
    if (gorse_is_empty(box) != 0u || (gorse_alpha(look->fill) == 0u && look->border_width == 0u))
        return;
    s.c = c;
    s.fill = look->fill;
    s.border = look->border;
    s.border_width = (uint8_t)gorse_min(look->border_width, half);
    s.radius = (uint8_t)gorse_min(look->radius, half);
    s.zone = s.radius;
    s.inner_radius = 0;
    if (s.radius > s.border_width)
        s.inner_radius = (uint8_t)(s.radius - s.border_width);
    else
        s.zone = s.border_width;
    for (s.row.y0 = gorse_max(box->y0, c->clip.y0); s.row.y0 < end; s.row.y0 = s.row.y1) {
        gorse_coord y = gorse_min((gorse_coord)(s.row.y0 - box->y0), (gorse_coord)(box->y1 - 1 - s.row.y0));
        s.row.y1 = (gorse_coord)(y < s.zone ? s.row.y0 + 1 : gorse_min(end, (gorse_coord)(box->y1 - s.zone)));
        draw_row(&s, box->x0, box->x1, (uint16_t)y);
    }
}
