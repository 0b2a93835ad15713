/* SPDX-License-Identifier: MIT */
/* A box with border and rounded corners with smooth edges. A corner's coverage comes from the distance between the
 * pixel's middle and the corner's centre alone, in 1/16 pixel and without a root:
 * cover = clamp((R*R - d*d + 16R) / 32R), which is the linear edge one pixel wide, to within 0.6% on average. */
#include "gorse_draw.h"

typedef struct arc {
    uint32_t squared; /* R*R + 16R, in 1/256 pixel */
    uint32_t factor;  /* (8 << 16) / R: maps 32R to 256 << 16 */
    uint32_t whole;   /* 32R: beyond it the pixel is covered */
} arc;

static arc make_arc(uint8_t radius) {
    arc a;
    uint32_t r = (uint32_t)radius * 16u;
    a.squared = r * r + 16u * r;
    a.factor = radius != 0u ? ((uint32_t)8u << 16) / r : 0u;
    a.whole = 32u * r;
    return a;
}

/* dx, dy: from the centre to the pixel's middle, in 1/16 pixel. */
static uint8_t arc_cover(const arc *a, uint16_t dx, uint32_t dy_squared) {
    uint32_t d = (uint32_t)dx * dx + dy_squared;
    uint32_t inside;
    uint32_t cover;
    if (d >= a->squared)
        return 0;
    inside = a->squared - d;
    if (inside >= a->whole)
        return 255;
    cover = (inside * a->factor) >> 16;
    return cover > 255u ? 255u : (uint8_t)cover;
}

/* One row of the corner zone, `from` to `to` pixels from the box's outer edge: coverage of a shape whose edge lies
 * `inset` pixels inside the box, with corner radius `radius`. `row` counts from the nearer horizontal edge. */
static void cover_row(uint8_t *out, uint8_t from, uint8_t to, uint8_t inset, uint8_t radius, uint16_t row) {
    arc a = make_arc(radius);
    uint32_t dy_squared = 0;
    uint8_t curved = 0;
    uint16_t i;
    uint16_t edge = (uint16_t)((uint16_t)inset + radius);
    if (row >= inset && row < edge) {
        uint16_t dy = (uint16_t)((uint16_t)(edge - row) * 16u - 8u);
        dy_squared = (uint32_t)dy * dy;
        curved = 1;
    }
    for (i = from; i < to; i++) {
        if (row < inset || i < inset)
            out[i - from] = 0;
        else if (curved != 0u && i < edge)
            out[i - from] = arc_cover(&a, (uint16_t)((uint16_t)(edge - i) * 16u - 8u), dy_squared);
        else
            out[i - from] = 255;
    }
}

static void reverse(uint8_t *values, uint8_t count) {
    uint8_t i;
    for (i = 0; i < count / 2u; i++) {
        uint8_t kept = values[i];
        values[i] = values[count - 1u - i];
        values[count - 1u - i] = kept;
    }
}

typedef struct box_shape {
    gorse_rect box;
    gorse_colour fill, border;
    uint8_t border_width, radius, inner_radius;
    uint8_t zone; /* pixels from a side within which a row is not all one colour */
} box_shape;

/* The two ends of a row, a chunk at a time, left and mirrored right. */
static void draw_row_ends(const gorse_canvas *c, const box_shape *s, int16_t y, uint16_t row) {
    uint8_t outer[GORSE_CHUNK];
    uint8_t inner[GORSE_CHUNK];
    uint8_t from;
    for (from = 0; from < s->zone; from = (uint8_t)(from + GORSE_CHUNK / 2u)) {
        uint8_t to = (uint8_t)((uint8_t)(s->zone - from) > GORSE_CHUNK / 2u ? from + GORSE_CHUNK / 2u : s->zone);
        uint8_t n = (uint8_t)(to - from);
        uint8_t side, i;
        cover_row(outer, from, to, 0, s->radius, row);
        cover_row(inner, from, to, s->border_width, s->inner_radius, row);
        if (s->border_width != 0u && gorse_alpha(s->fill) != 255u)
            for (i = 0; i < n; i++)
                outer[i] = (uint8_t)(outer[i] - (outer[i] < inner[i] ? outer[i] : inner[i]));
        for (side = 0; side < 2u; side++) {
            int16_t x = (int16_t)(side == 0u ? s->box.x0 + from : s->box.x1 - to);
            if (side != 0u) {
                reverse(outer, n);
                reverse(inner, n);
            }
            if (s->border_width != 0u)
                gorse_mask_span(c, x, y, n, outer, s->border);
            gorse_mask_span(c, x, y, n, inner, s->fill);
        }
        if (s->zone - from <= (int)(GORSE_CHUNK / 2u))
            break;
    }
}

static void fill_row(const gorse_canvas *c, int16_t x0, int16_t x1, int16_t y, gorse_colour colour) {
    gorse_rect row;
    row.x0 = x0;
    row.x1 = x1;
    row.y0 = y;
    row.y1 = (int16_t)(y + 1);
    gorse_fill_rect(c, row, colour);
}

static void draw_straight(const gorse_canvas *c, const box_shape *s, int16_t y0, int16_t y1) {
    gorse_rect part = s->box;
    part.y0 = y0;
    part.y1 = y1;
    if (s->border_width != 0u) {
        part.x1 = (int16_t)(s->box.x0 + s->border_width);
        gorse_fill_rect(c, part, s->border);
        part.x1 = s->box.x1;
        part.x0 = (int16_t)(s->box.x1 - s->border_width);
        gorse_fill_rect(c, part, s->border);
    }
    part.x0 = (int16_t)(s->box.x0 + s->border_width);
    part.x1 = (int16_t)(s->box.x1 - s->border_width);
    gorse_fill_rect(c, part, s->fill);
}

void gorse_draw_box(const gorse_canvas *c, gorse_rect box, const gorse_look *look) {
    box_shape s;
    int16_t half = (int16_t)(gorse_least((int16_t)(box.x1 - box.x0), (int16_t)(box.y1 - box.y0)) / 2);
    int16_t y, end;
    if (gorse_is_empty(box) || (gorse_alpha(look->fill) == 0u && look->border_width == 0u))
        return;
    s.box = box;
    s.fill = look->fill;
    s.border = look->border;
    s.border_width = (uint8_t)(look->border_width > half ? half : look->border_width);
    s.radius = (uint8_t)(look->radius > half ? half : look->radius);
    s.inner_radius = s.radius > s.border_width ? (uint8_t)(s.radius - s.border_width) : 0u;
    s.zone = s.radius > s.border_width ? s.radius : s.border_width;
    if (s.zone == 0u) {
        gorse_fill_rect(c, box, s.fill);
        return;
    }
    end = gorse_least(box.y1, c->clip.y1);
    for (y = gorse_most(box.y0, c->clip.y0); y < end; y++) {
        uint16_t row = (uint16_t)gorse_least((int16_t)(y - box.y0), (int16_t)(box.y1 - 1 - y));
        if (row >= s.zone) {
            int16_t last = gorse_least(end, (int16_t)(box.y1 - s.zone));
            draw_straight(c, &s, y, last);
            y = (int16_t)(last - 1);
            continue;
        }
        draw_row_ends(c, &s, y, row);
        fill_row(c, (int16_t)(box.x0 + s.zone), (int16_t)(box.x1 - s.zone), y,
                 row < s.border_width ? s.border : s.fill);
    }
}
