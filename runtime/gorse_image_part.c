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
    gorse_coord x;        /* on the panel */
    uint16_t first, read; /* the first column of the part, and how many are read from there */
    uint8_t n;
    uint8_t from[GORSE_IMAGE_PIXELS];
} piece;

/* Puts values of some bytes where the piece shows them. */
#if GORSE_FAST
/* A constant number of bytes, which the compiler moves as one. */
static inline void arrange_sized(const piece *p, const uint8_t *values, uint8_t *to, uint8_t bytes) {
    uint16_t i = 0;
    for (; i + 4u <= p->n; i = (uint16_t)(i + 4u)) {
        memcpy(to + i * bytes, values + p->from[i] * bytes, bytes);
        memcpy(to + (i + 1u) * bytes, values + p->from[i + 1u] * bytes, bytes);
        memcpy(to + (i + 2u) * bytes, values + p->from[i + 2u] * bytes, bytes);
        memcpy(to + (i + 3u) * bytes, values + p->from[i + 3u] * bytes, bytes);
    }
    for (; i < p->n; i++)
        memcpy(to + i * bytes, values + p->from[i] * bytes, bytes);
}

/* Eight bytes from the last to the first; as pairs of bytes if `pairs`. */
static inline uint64_t reversed(uint64_t bytes, uint8_t pairs) {
    bytes = bytes >> 32 | bytes << 32;
    bytes = (bytes >> 16 & 0x0000ffff0000ffffu) | (bytes & 0x0000ffff0000ffffu) << 16;
    if (pairs == 0u)
        bytes = (bytes >> 8 & 0x00ff00ff00ff00ffu) | (bytes & 0x00ff00ff00ff00ffu) << 8;
    return bytes;
}

/* All values of one or two bytes from the last to the first. */
static inline void arrange_reversed(const uint8_t *values, uint8_t *to, uint16_t count, uint8_t bytes) {
    uint16_t left = count;
    for (; left >= 8u; left = (uint16_t)(left - 8u), to += 8) {
        uint64_t eight;
        memcpy(&eight, values + left - 8u, 8);
        eight = reversed(eight, (uint8_t)(bytes - 1u));
        memcpy(to, &eight, 8);
    }
    for (; left != 0u; left = (uint16_t)(left - bytes), to += bytes)
        memcpy(to, values + left - bytes, bytes);
}

static void arrange(const piece *p, const uint8_t *values, uint8_t *to, uint8_t bytes) {
    /* None is shown twice or left out. */
    const uint_fast8_t is_reversed = (uint_fast8_t)(p->n == p->read && p->n > 1u && p->from[0] == p->n - 1u);
    if (bytes == 1u && is_reversed != 0u)
        arrange_reversed(values, to, p->n, 1);
    else if (bytes == 2u && is_reversed != 0u)
        arrange_reversed(values, to, (uint16_t)(p->n * 2u), 2);
    else if (bytes == 1u)
        arrange_sized(p, values, to, 1);
    else if (bytes == 2u)
        arrange_sized(p, values, to, 2);
    else if (bytes == 3u)
        arrange_sized(p, values, to, 3);
    else
        arrange_sized(p, values, to, 4);
}
#else
static void arrange(const piece *p, const uint8_t *values, uint8_t *to, uint8_t bytes) {
    uint8_t i, k;
    for (i = 0; i < p->n; i++) {
        const uint8_t *from = values + p->from[i] * bytes;
        for (k = 0; k < bytes; k++)
            *to++ = from[k];
    }
}
#endif

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

static GORSE_OWN_FRAME void draw_arranged(const drawing *d, const piece *p, const uint8_t *pixels,
                                          const uint8_t *coverage) {
    const gorse_canvas *c = d->reading.c;
    if (d->reading.pixels == 0)
        gorse_mask_span(c, p->x, d->area.y0, p->n, coverage, d->colour);
    else
        c->format->copy(c, p->x, d->area.y0, p->n, pixels, coverage);
}

/* What is left of a row to be cut into pieces; mirrored, from its end on. */
typedef struct cutting {
    columns at;
    uint32_t left;
    uint8_t mirrored;
} cutting;

static void begin_row(const drawing *d, cutting *out) {
    const gorse_image_part *part = d->part;
    const uint32_t size = (uint32_t)(part->from.x1 - part->from.x0), width = (uint32_t)(part->to.x1 - part->to.x0);
    uint32_t first = (uint32_t)(d->area.x0 - part->to.x0);
    out->left = (uint32_t)(d->area.x1 - d->area.x0);
    out->mirrored = (uint8_t)(part->mirror & GORSE_MIRROR_ACROSS);
    if (out->mirrored != 0u)
        first = width - first - out->left;
    start_columns(&out->at, first, size, width);
}

static void reverse(uint8_t *from, uint8_t n) {
    uint8_t *end = from + n;
    while (from < --end) {
        const uint8_t last = *end;
        *end = *from;
        *from++ = last;
    }
}

/* The next piece, as many pixels as there is room for; 0 if the row has no more. */
static uint_fast8_t next_piece(const drawing *d, cutting *from, piece *out) {
    columns *s = &from->at;
    out->first = (uint16_t)s->at;
    out->n = 0;
    out->read = 0;
    while (out->n < GORSE_IMAGE_PIXELS && from->left != 0u && s->at - out->first < GORSE_IMAGE_PIXELS) {
        out->from[out->n++] = (uint8_t)(s->at - out->first);
        out->read = (uint16_t)(s->at - out->first + 1u);
        from->left--;
        next_column(s);
    }
    out->x = (gorse_coord)(d->area.x1 - (gorse_coord)from->left - (gorse_coord)out->n);
    if (from->mirrored != 0u) {
        out->x = (gorse_coord)(d->area.x0 + (gorse_coord)from->left);
        reverse(out->from, out->n);
    }
    return out->n;
}

static GORSE_OWN_FRAME void draw_piece(const drawing *d, const piece *p, uint16_t y) {
    uint8_t coverage[GORSE_IMAGE_PIXELS];
    uint8_t pixels[GORSE_IMAGE_PIXELS * 4];
    const uint8_t masked = read_piece(d, p, y, pixels, coverage);
    draw_arranged(d, p, pixels, masked != 0u ? coverage : 0);
}

static GORSE_OWN_FRAME void draw_row(const drawing *d, uint16_t y) {
    cutting row;
    piece p;
    begin_row(d, &row);
    while (next_piece(d, &row, &p) != 0u)
        draw_piece(d, &p, y);
}

/* Which row of the image is shown at the first one of what is left of the area. */
static uint16_t row_at(const drawing *d) {
    const gorse_image_part *part = d->part;
    const uint32_t size = (uint32_t)(part->from.y1 - part->from.y0), height = (uint32_t)(part->to.y1 - part->to.y0);
    uint32_t row = (uint32_t)(d->area.y0 - part->to.y0);
    if ((part->mirror & GORSE_MIRROR_DOWN) != 0u)
        row = height - 1u - row;
    return (uint16_t)((uint16_t)part->from.y0 + (uint16_t)((2u * row + 1u) * size / (2u * height)));
}

#if GORSE_FAST
enum { KEPT = 4 };

/* A piece with what it shows of a row. */
typedef struct kept_piece {
    piece is;
    uint8_t pixels[GORSE_IMAGE_PIXELS * 4];
    uint8_t coverage[GORSE_IMAGE_PIXELS];
    uint8_t masked;
} kept_piece;

/* Draws all rows with the pieces of the first, those of the same row of the image with the same pixels; 0 if there are
 * more pieces than are kept. */
static uint_fast8_t draw_alike(drawing *d) {
    kept_piece kept[KEPT];
    piece beyond;
    cutting row;
    uint_fast8_t count = 0, i;
    int32_t before = -1;
    begin_row(d, &row);
    while (count < KEPT && next_piece(d, &row, &kept[count].is) != 0u)
        count++;
    if (next_piece(d, &row, &beyond) != 0u)
        return 0;
    for (; d->area.y0 < d->area.y1; d->area.y0++) {
        const uint16_t y = row_at(d);
        for (i = 0; i < count; i++) {
            kept_piece *k = &kept[i];
            if (y != before)
                k->masked = read_piece(d, &k->is, y, k->pixels, k->coverage);
            draw_arranged(d, &k->is, k->pixels, k->masked != 0u ? k->coverage : 0);
        }
        before = y;
    }
    return 1;
}
#endif

static GORSE_OWN_FRAME void draw_rows(drawing *d) {
    gorse_plane_reader mask;
    if (d->reading.image->mask_bits != 0u)
        gorse_open_mask(&d->reading, &mask);
    if (d->reading.pixels == 0 && d->reading.mask == 0)
        return;
#if GORSE_FAST
    if (draw_alike(d) != 0u)
        return;
#endif
    for (; d->area.y0 < d->area.y1; d->area.y0++)
        draw_row(d, row_at(d));
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
