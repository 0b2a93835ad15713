/* SPDX-License-Identifier: MIT */
/* Draws a part of an image into a rectangle, as large as that is and mirrored if wanted. */
#include "gorse_image.h"

/* Which pixel of the part is shown at each of the rectangle: the one at its middle. Counted from the first column that
 * is shown, before mirroring. */
typedef struct columns {
    uint32_t at, rest;    /* the pixel now, and what is over in 1/(2 * width) */
    uint32_t whole, part; /* what comes with each */
    uint32_t twice;       /* 2 * width of the rectangle */
} columns;

static void start_columns(columns *s, uint32_t first, uint32_t size, uint32_t width) {
    s->twice = 2u * width;
    s->at = (2u * first + 1u) * size / s->twice;
    s->rest = (2u * first + 1u) * size % s->twice;
    s->whole = size / width;
    s->part = 2u * size % s->twice;
}

static void next_column(columns *s) {
    s->at += s->whole;
    s->rest += s->part;
    if (s->rest >= s->twice) {
        s->rest -= s->twice;
        s->at++;
    }
}

/* Some pixels of a row: `from` says for each which of those that were read it shows. */
typedef struct piece {
    uint16_t first, read; /* the first column of the part, and how many are read from there */
    uint8_t n;
    uint8_t mirrored;
    uint8_t from[GORSE_IMAGE_PIXELS];
} piece;

/* As many as there is room for. */
static void take_piece(columns *s, uint32_t left, piece *out) {
    out->first = (uint16_t)s->at;
    out->n = 0;
    out->read = 0;
    while (out->n < GORSE_IMAGE_PIXELS && out->n < left && s->at - out->first < GORSE_IMAGE_PIXELS) {
        out->from[out->n++] = (uint8_t)(s->at - out->first);
        out->read = (uint16_t)(s->at - out->first + 1u);
        next_column(s);
    }
}

/* Puts values of some bytes where the piece shows them. */
static void arrange(const piece *p, const uint8_t *values, uint8_t *to, uint8_t bytes) {
    uint8_t i, k;
    for (i = 0; i < p->n; i++) {
        const uint8_t *from = values + p->from[p->mirrored != 0u ? p->n - 1u - i : i] * bytes;
        for (k = 0; k < bytes; k++)
            *to++ = from[k];
    }
}

/* A part of an image while it is drawn. */
typedef struct drawing {
    gorse_image_reading reading;
    const gorse_image_part *part;
    gorse_rect area; /* what is drawn of the rectangle */
    gorse_colour colour;
} drawing;

/* Reads a piece, arranged. Returns what gorse_read_mask does. */
static GORSE_OWN_FRAME uint8_t read_piece(const drawing *d, const piece *p, uint16_t y, uint8_t *pixels,
                                          uint8_t *coverage) {
    uint8_t covered[GORSE_IMAGE_PIXELS];
    uint8_t room[GORSE_IMAGE_PIXELS * 4];
    const gorse_image_reading *r = &d->reading;
    const uint16_t column = (uint16_t)((uint16_t)d->part->from.x0 + p->first);
    const uint8_t bits = r->c->format->bits;
    uint8_t masked;
    gorse_start_image_row(r, column, y);
    masked = gorse_read_mask(r, column, y, p->read, room, covered);
    if (r->pixels != 0) {
        const uint8_t *from = gorse_read_pixels(r, column, y, p->read, room, covered);
        /* One that the compiler makes a loop of words of. */
        if (bits == 16u)
            arrange(p, from, pixels, 2);
        else
            arrange(p, from, pixels, (uint8_t)(bits < 8u ? 1u : bits >> 3));
    }
    if (masked != 0u)
        arrange(p, covered, coverage, 1);
    return masked;
}

static GORSE_OWN_FRAME void draw_piece(const drawing *d, const piece *p, gorse_coord x, uint16_t y) {
    uint8_t coverage[GORSE_IMAGE_PIXELS];
    uint8_t pixels[GORSE_IMAGE_PIXELS * 4];
    const gorse_canvas *c = d->reading.c;
    const uint8_t masked = read_piece(d, p, y, pixels, coverage);
    if (d->reading.pixels == 0)
        gorse_mask_span(c, x, d->area.y0, p->n, coverage, d->colour);
    else
        c->format->copy(c, x, d->area.y0, p->n, pixels, masked != 0u ? coverage : 0);
}

static GORSE_OWN_FRAME void draw_row(const drawing *d, uint16_t y) {
    const gorse_image_part *part = d->part;
    const uint32_t size = (uint32_t)(part->from.x1 - part->from.x0), width = (uint32_t)(part->to.x1 - part->to.x0);
    uint32_t first = (uint32_t)(d->area.x0 - part->to.x0), left = (uint32_t)(d->area.x1 - d->area.x0);
    gorse_coord x = d->area.x0;
    columns s;
    piece p;
    p.mirrored = (uint8_t)(part->mirror & GORSE_MIRROR_ACROSS);
    if (p.mirrored != 0u)
        first = width - first - left;
    start_columns(&s, first, size, width);
    while (left != 0u) {
        take_piece(&s, left, &p);
        left -= p.n;
        draw_piece(d, &p, p.mirrored != 0u ? (gorse_coord)(d->area.x0 + (gorse_coord)left) : x, y);
        x = (gorse_coord)(x + p.n);
    }
}

static GORSE_OWN_FRAME void draw_rows(drawing *d) {
    const gorse_image_part *part = d->part;
    const uint32_t size = (uint32_t)(part->from.y1 - part->from.y0), height = (uint32_t)(part->to.y1 - part->to.y0);
    gorse_plane_reader mask;
    if (d->reading.image->mask_bits != 0u)
        gorse_open_mask(&d->reading, &mask);
    for (; d->area.y0 < d->area.y1 && (d->reading.pixels != 0 || d->reading.mask != 0); d->area.y0++) {
        uint32_t row = (uint32_t)(d->area.y0 - part->to.y0);
        if ((part->mirror & GORSE_MIRROR_DOWN) != 0u)
            row = height - 1u - row;
        draw_row(d, (uint16_t)((uint16_t)part->from.y0 + (uint16_t)((2u * row + 1u) * size / (2u * height))));
    }
}

void gorse_draw_image_part(const gorse_canvas *c, const GORSE_ROM gorse_image *image, const gorse_image_part *part,
                           gorse_colour colour) {
    drawing d;
    gorse_plane_reader pixels;
    d.area = part->to;
    if (gorse_is_empty(&part->from) != 0u || gorse_clip(&d.area, &c->clip) == 0u)
        return;
    gorse_open_image(&d.reading, c, image, &pixels);
    d.part = part;
    d.colour = colour;
    draw_rows(&d);
}

void gorse_draw_mirrored_image(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                               uint8_t mirror, gorse_colour colour) {
    gorse_image_part part;
    part.from.x0 = part.from.y0 = 0;
    part.from.x1 = (gorse_coord)image->width;
    part.from.y1 = (gorse_coord)image->height;
    part.to.x0 = x;
    part.to.y0 = y;
    part.to.x1 = (gorse_coord)(x + part.from.x1);
    part.to.y1 = (gorse_coord)(y + part.from.y1);
    part.mirror = mirror;
    gorse_draw_image_part(c, image, &part, colour);
}
