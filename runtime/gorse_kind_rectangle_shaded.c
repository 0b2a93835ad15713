/* SPDX-License-Identifier: MIT */
/* A rectangle with four corners of their own and a fill that passes from one colour into another. Where a panel has too
 * few levels, an ordered pattern of 4 x 4 pixels mixes the two that are nearest. */
#include "gorse_draw.h"

/* Pixels that are worked on at a time. */
#define PIECE 8

static const GORSE_ROM uint8_t pattern[16] = {0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5};

typedef struct shading {
    const gorse_canvas *c;
    const gorse_look *look;
    gorse_rect box;
    gorse_colour to;
    uint8_t corners[4];
    uint8_t direction;
    uint8_t steps[3]; /* of the panel's levels of blue, green and red; 0: as fine as colours are */
} shading;

static const gorse_widget_shaded *shaded_of(const gorse_widget *widget) {
    return (const gorse_widget_shaded *)(const void *)widget;
}

/* How far the levels of a panel's pixels are apart. */
static void find_steps(const gorse_canvas *c, uint8_t *steps) {
    const GORSE_ROM gorse_format *format = c->format;
    uint8_t all = 0;
    if (format->bits < 8u)
        all = (uint8_t)(255u / ((1u << format->bits) - 1u));
    steps[0] = steps[1] = steps[2] = all;
    if (format->bits == 16u) {
        steps[0] = steps[2] = 8;
        steps[1] = 4;
    } else if (format->bits == 8u && format->native(c, 0xff808080u) == format->native(c, 0xff828282u)) {
        /* Three colours in a byte, or a palette. */
        steps[0] = format->native(c, 0xffff0000u) == 0xe0u && format->native(c, 0xffffffffu) == 0xffu ? 85 : 32;
        steps[1] = steps[2] = 36;
    }
}

/* The least coverage by all four corners: 0 outside, 255 inside. */
static GORSE_OWN_FRAME uint8_t cover_at(const shading *s, gorse_coord x, gorse_coord y, uint8_t inset) {
    const uint16_t left = (uint16_t)(x - s->box.x0), right = (uint16_t)(s->box.x1 - 1 - x);
    const uint16_t top = (uint16_t)(y - s->box.y0), bottom = (uint16_t)(s->box.y1 - 1 - y);
    uint8_t least = 255, i;
    for (i = 0; i < 4u; i++) {
        const uint8_t radius = s->corners[i] > inset ? (uint8_t)(s->corners[i] - inset) : (uint8_t)0;
        const uint16_t column = i == 0u || i == 3u ? left : right, row = i < 2u ? top : bottom;
        const uint8_t covered = gorse_cover_corner(column, row, inset, radius);
        least = covered < least ? covered : least;
    }
    return least;
}

static uint8_t channel(gorse_colour colour, uint_fast8_t shift) { return (uint8_t)(colour >> shift); }

/* The colour `at` pixels from the beginning of `size`, at their middle. */
static GORSE_OWN_FRAME gorse_colour shade(const shading *s, uint32_t at, uint32_t size) {
    gorse_colour out = 0;
    uint_fast8_t shift;
    for (shift = 0; shift < 32u; shift = (uint_fast8_t)(shift + 8u)) {
        const uint32_t from = channel(s->look->fill, shift), to = channel(s->to, shift);
        /* Both weights have 16 bits at most: a panel's side is below 32768. */
        const uint32_t mixed = (from * (2u * (size - at) - 1u) + to * (2u * at + 1u) + size) / (2u * size);
        out |= (gorse_colour)(mixed << shift);
    }
    return out;
}

/* The pixel of a colour at a place, whose levels are mixed by the pattern. */
static GORSE_OWN_FRAME uint32_t pixel_at(const shading *s, gorse_colour colour, gorse_coord x, gorse_coord y) {
    const int16_t rank = (int16_t)(2 * pattern[(uint8_t)(((uint8_t)y & 3u) * 4u + ((uint8_t)x & 3u))] + 1 - 16);
    gorse_colour out = colour & 0xff000000u;
    uint_fast8_t i;
    for (i = 0; i < 3u; i++) {
        const int16_t level =
            (int16_t)(channel(colour, (uint_fast8_t)(i * 8u)) + (int16_t)(rank * (int16_t)s->steps[i] / 32));
        out |= (gorse_colour)(uint8_t)(level < 0 ? 0 : level > 255 ? 255 : level) << (i * 8u);
    }
    return s->c->format->native(s->c, out);
}

/* Some pixels of a row, as the format copies them. */
typedef struct piece {
    uint8_t pixels[PIECE * 4];
    uint8_t inner[PIECE], outer[PIECE];
} piece;

static void put_pixel(const shading *s, piece *p, uint_fast8_t i, uint32_t native) {
    const uint8_t bits = s->c->format->bits;
    const uint_fast8_t bytes = (uint_fast8_t)(bits < 8u ? 1u : bits >> 3);
    uint_fast8_t k;
    if (bytes == 2u) {
        const uint16_t word = (uint16_t)native;
        memcpy(p->pixels + i * 2u, &word, sizeof word);
        return;
    }
    for (k = 0; k < bytes; k++)
        p->pixels[i * bytes + k] = (uint8_t)(native >> (8u * k));
}

static GORSE_OWN_FRAME void fill_piece(const shading *s, piece *p, gorse_coord x, gorse_coord y, uint_fast8_t n) {
    gorse_colour colour = 0;
    uint_fast8_t i;
    if (s->direction == GORSE_SHADED_DOWN)
        colour = shade(s, (uint32_t)(y - s->box.y0), (uint32_t)(s->box.y1 - s->box.y0));
    for (i = 0; i < n; i++) {
        const gorse_coord at = (gorse_coord)(x + (gorse_coord)i);
        if (s->direction != GORSE_SHADED_DOWN)
            colour = shade(s, (uint32_t)(at - s->box.x0), (uint32_t)(s->box.x1 - s->box.x0));
        put_pixel(s, p, i, pixel_at(s, colour, at, y));
        p->inner[i] = gorse_scale8(p->inner[i], gorse_alpha(colour));
    }
}

static GORSE_OWN_FRAME void draw_piece(const shading *s, gorse_coord x, gorse_coord y, uint_fast8_t n) {
    const uint8_t width = s->look->border_width;
    piece p;
    uint_fast8_t i;
    for (i = 0; i < n; i++) {
        const gorse_coord at = (gorse_coord)(x + (gorse_coord)i);
        p.inner[i] = cover_at(s, at, y, width);
        p.outer[i] = (uint8_t)(width != 0u ? cover_at(s, at, y, 0) : 0u);
        /* What shines through is the ground, not the border. */
        if (gorse_alpha(s->look->fill) != 255u || gorse_alpha(s->to) != 255u)
            p.outer[i] = (uint8_t)(p.outer[i] - gorse_min(p.outer[i], p.inner[i]));
    }
    gorse_mask_span(s->c, x, y, (uint16_t)n, p.outer, s->look->border);
    fill_piece(s, &p, x, y, n);
    s->c->format->copy(s->c, x, y, (uint16_t)n, p.pixels, p.inner);
}

/* Corners are at most half of the shorter side. */
static void find_corners(shading *s, const gorse_widget_shaded *widget) {
    const gorse_coord half =
        (gorse_coord)(gorse_min((gorse_coord)(s->box.x1 - s->box.x0), (gorse_coord)(s->box.y1 - s->box.y0)) / 2);
    uint8_t i;
    for (i = 0; i < 4u; i++)
        s->corners[i] = (uint8_t)gorse_min(widget->by_radius != 0u ? s->look->radius : widget->corners[i], half);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    shading s;
    gorse_rect area;
    s.c = c;
    s.look = look;
    s.to = shaded_of(widget)->fill_to == GORSE_SHADED_SAME ? look->fill : shaded_of(widget)->fill_to;
    s.direction = shaded_of(widget)->direction;
    gorse_widget_box(widget, &s.box);
    area = s.box;
    if (gorse_clip(&area, &c->clip) == 0u)
        return;
    find_corners(&s, shaded_of(widget));
    find_steps(c, s.steps);
    if (s.to == look->fill)
        s.steps[0] = s.steps[1] = s.steps[2] = 0;
    for (; area.y0 < area.y1; area.y0++) {
        gorse_coord x;
        for (x = area.x0; x < area.x1; x = (gorse_coord)(x + PIECE))
            draw_piece(&s, x, area.y0, (uint_fast8_t)gorse_min((gorse_coord)(area.x1 - x), PIECE));
    }
}

const GORSE_ROM gorse_kind gorse_kind_rectangle_shaded = {sizeof(gorse_widget_shaded), 0, draw, 0, 0, 0};
