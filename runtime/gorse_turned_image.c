/* SPDX-License-Identifier: MIT */
/* Draws an image turned by an angle: for each pixel of the panel, the four of the image around the place that its
 * middle has there. */
#include "gorse_cover.h"
#include "gorse_image.h"
#include "gorse_rgb565_pixels.h"

/* Distances in the image in 1/16384 pixel: a distance of 32767 pixels, turned, has 31 bits. */
#define ONE ((int32_t)16384)

/* An image while it is drawn. */
typedef struct turning {
    const gorse_canvas *c;
    const gorse_turned_image *of;
    const GORSE_ROM gorse_image *image;
    int32_t along, across; /* how far a step to the right goes in the image, right and up */
    int32_t u0, v0;        /* what is at the panel's 0, 0, less half a pixel of the image */
    uint8_t is_native;     /* 1: whole words of the panel's own form, which are mixed where they lie */
    uint8_t is_opaque;     /* 1: all pixels are */
} turning;

static GORSE_OWN_FRAME void measure(const gorse_turned_image *of, turning *out) {
    const int32_t x = of->x - GORSE_FINE / 2, y = of->y - GORSE_FINE / 2;
    gorse_ellipse circle;
    gorse_fine point;
    circle.centre.x = circle.centre.y = 0;
    circle.radius.x = circle.radius.y = ONE;
    gorse_point_at(&circle, of->angle, &point);
    out->of = of;
    out->image = of->image;
    out->along = -point.y;
    out->across = point.x;
    /* In whole pixels and the rest, as the product has more than 32 bits. */
    out->u0 = (of->image_x - GORSE_FINE / 2) * (ONE / GORSE_FINE) -
              (x / GORSE_FINE * out->along + x % GORSE_FINE * out->along / GORSE_FINE) -
              (y / GORSE_FINE * out->across + y % GORSE_FINE * out->across / GORSE_FINE);
    out->v0 = (of->image_y - GORSE_FINE / 2) * (ONE / GORSE_FINE) +
              (x / GORSE_FINE * out->across + x % GORSE_FINE * out->across / GORSE_FINE) -
              (y / GORSE_FINE * out->along + y % GORSE_FINE * out->along / GORSE_FINE);
}

/* Where a point of the image is on the panel. */
static GORSE_OWN_FRAME void corner_at(const gorse_turned_image *turned, int32_t x, int32_t y, gorse_fine *out) {
    const int32_t u = x - turned->image_x / GORSE_FINE, v = y - turned->image_y / GORSE_FINE;
    turning t;
    measure(turned, &t);
    out->x = turned->x + u * t.along / (ONE / GORSE_FINE) - v * t.across / (ONE / GORSE_FINE);
    out->y = turned->y + u * t.across / (ONE / GORSE_FINE) + v * t.along / (ONE / GORSE_FINE);
}

/* The pixels between the corners of the turned image. */
static GORSE_OWN_FRAME void box_of(const gorse_turned_image *turned, gorse_rect *out) {
    const int32_t width = turned->image->width, height = turned->image->height;
    gorse_fine corners[4];
    uint_fast8_t i;
    for (i = 0; i < 4u; i++)
        corner_at(turned, i == 1u || i == 2u ? width : 0, i >= 2u ? height : 0, &corners[i]);
    /* With what rounding leaves out. */
    gorse_box_around(corners, 4, 3 * GORSE_FINE, out);
}

/* Leaves of the pixels from *first to *end, counted from the panel's edge, those where at + each * i is from `min` to
 * below `end_value`; perhaps one more at each end. */
static void bracket(int32_t at, int32_t each, int32_t min, int32_t max, gorse_coord *first, gorse_coord *end) {
    int32_t from, to;
    if (each < 0) {
        const int32_t kept = min;
        at = -at;
        each = -each;
        min = -max;
        max = -kept;
    }
    if (each == 0) {
        if (at < min || at > max)
            *end = *first;
        return;
    }
    from = (min - at) / each - 1;
    to = (max - at) / each + 2;
    if (from > *first)
        *first = (gorse_coord)from;
    if (to < *end)
        *end = (gorse_coord)to;
}

/* The pixel that a place is in. What is drawn is at most a few pixels outside. */
static int32_t whole_of(int32_t at) { return (int32_t)((uint32_t)(at + 16 * ONE) / ONE) - 16; }
/* 0 to 255. */
static uint32_t part_of(int32_t at) { return ((uint32_t)at & (ONE - 1u)) >> 6; }

static uint8_t bits_at(const GORSE_ROM uint8_t *row, uint16_t column, uint8_t bits) {
    const uint32_t bit = (uint32_t)column * bits;
    return (uint8_t)((uint8_t)(row[bit >> 3] >> (8u - bits - (bit & 7u))) & (uint8_t)((1u << bits) - 1u));
}

/* Where a pixel of the image is, mirrored as that is drawn; 0 outside. */
static uint_fast8_t find(const turning *t, int32_t *u, int32_t *v) {
    const int32_t width = t->image->width, height = t->image->height;
    if (*u < 0 || *v < 0 || *u >= width || *v >= height)
        return 0;
    if ((t->of->mirror & GORSE_MIRROR_ACROSS) != 0u)
        *u = width - 1 - *u;
    if ((t->of->mirror & GORSE_MIRROR_DOWN) != 0u)
        *v = height - 1 - *v;
    return 1;
}

/* 1: an image without a mask has its coverage in its pixels. */
static uint8_t has_coverage(const GORSE_ROM gorse_image *image) {
    if (image->source == 0)
        return 0;
    return (uint8_t)(image->format->bits == 32u);
}

/* The coverage of a pixel of the image, 0 to 255. */
static uint8_t mask_at(const turning *t, int32_t u, int32_t v) {
    const GORSE_ROM gorse_image *image = t->image;
    const uint8_t bits = image->mask_bits;
    if (find(t, &u, &v) == 0u)
        return 0;
    if (bits != 0u) {
        const GORSE_ROM uint8_t *row = image->mask + (uint32_t)v * (((uint32_t)image->width * bits + 7u) >> 3);
        return (uint8_t)(bits_at(row, (uint16_t)u, bits) * (uint8_t)(255u / ((1u << bits) - 1u)));
    }
    if (has_coverage(image) != 0u)
        return image->pixels[((uint32_t)v * image->width + (uint32_t)u) * 4u + 3u];
    return 255;
}

/* The bytes of a pixel as the image has them, at the nearest place that is inside. */
static void pixel_at(const turning *t, int32_t u, int32_t v, uint8_t *to) {
    const GORSE_ROM gorse_image *image = t->image;
    const uint8_t bits = image->format->bits;
    const int32_t width = image->width, height = image->height;
    const GORSE_ROM uint8_t *from;
    uint8_t bytes = (uint8_t)(bits >> 3), i;
    u = u < 0 ? 0 : u >= width ? width - 1 : u;
    v = v < 0 ? 0 : v >= height ? height - 1 : v;
    (void)find(t, &u, &v);
    if (bits >= 8u) {
        from = image->pixels + ((uint32_t)v * image->width + (uint32_t)u) * bytes;
        for (i = 0; i < bytes; i++)
            to[i] = from[i];
    } else if (image->format->rows == 8u) {
        *to = (uint8_t)((uint8_t)(image->pixels[(uint32_t)(v >> 3) * image->width + (uint32_t)u] >> (v & 7)) & 1u);
    } else {
        uint8_t packed;
        from = image->pixels + (uint32_t)v * (((uint32_t)image->width * bits + 7u) >> 3) + ((uint32_t)u * bits >> 3);
        packed = *from;
        image->format->spread(&packed, (uint8_t)(((uint32_t)u * bits & 7u) / bits), 1, to);
    }
}

enum { MIXED = 4 };

/* Some pixels of a row: where the first is in the image, and of each how much is covered and which of the four around
 * it, counted by rows, is shown, or MIXED. */
typedef struct piece {
    int32_t u, v;
    uint8_t n;
    uint8_t any, all; /* what all coverages have in common, as one byte */
    uint8_t mixes;
    uint8_t coverage[GORSE_IMAGE_PIXELS];
    uint8_t tap[GORSE_IMAGE_PIXELS];
} piece;

/* The coverages of the four pixels around a place, one a byte. */
static uint32_t masks_at(const turning *t, int32_t left, int32_t top) {
    return mask_at(t, left, top) | (uint32_t)mask_at(t, left + 1, top) << 8 |
           (uint32_t)mask_at(t, left, top + 1) << 16 | (uint32_t)mask_at(t, left + 1, top + 1) << 24;
}

/* The same inside an image that is not mirrored, with 4 bits a pixel. */
static uint32_t nibbles_at(const GORSE_ROM gorse_image *image, uint32_t left, uint32_t top) {
    const uint32_t bytes = ((uint32_t)image->width + 1u) >> 1;
    const GORSE_ROM uint8_t *row = image->mask + top * bytes + (left >> 1);
    const uint32_t upper =
        (left & 1u) != 0u ? (row[0] & 15u) | (row[1] & 240u) << 4 : (uint32_t)(row[0] >> 4) | (row[0] & 15u) << 8;
    const uint32_t lower = (left & 1u) != 0u ? (row[bytes] & 15u) | (row[bytes + 1u] & 240u) << 4
                                             : (uint32_t)(row[bytes] >> 4) | (row[bytes] & 15u) << 8;
    return (upper | lower << 16) * 17u;
}

/* The one of four pixels with the most weight; the sum of all weights, 0 to 255, in *coverage. */
static GORSE_OWN_FRAME uint8_t weigh(uint32_t masks, uint32_t right, uint32_t lower, uint8_t *coverage) {
    uint32_t sum = 0, most = 0;
    uint8_t tap = 0, i;
    for (i = 0; i < 4u; i++, masks >>= 8) {
        const uint32_t weight =
            ((i & 1u) != 0u ? right : 256u - right) * ((i & 2u) != 0u ? lower : 256u - lower) * (masks & 255u);
        sum += weight;
        if (weight > most) {
            most = weight;
            tap = i;
        }
    }
    *coverage = (uint8_t)((sum + 32768u) >> 16);
    return tap;
}

static void take_piece(const turning *t, gorse_coord x, gorse_coord y, gorse_coord n, piece *out) {
    const GORSE_ROM gorse_image *image = t->image;
    const uint32_t inner_width = image->width - 1u, inner_height = image->height - 1u;
    const uint8_t is_easy = (uint8_t)(t->of->mirror == GORSE_MIRROR_NONE && image->mask_bits == 4u);
    int32_t u, v;
    uint8_t i;
    out->u = u = t->u0 + (int32_t)x * t->along + (int32_t)y * t->across;
    out->v = v = t->v0 - (int32_t)x * t->across + (int32_t)y * t->along;
    out->n = (uint8_t)gorse_min(n, GORSE_IMAGE_PIXELS);
    out->any = out->mixes = 0;
    out->all = 255;
    for (i = 0; i < out->n; i++, u += t->along, v -= t->across) {
        const int32_t left = whole_of(u), top = whole_of(v);
        const uint8_t inside = (uint8_t)((uint32_t)left < inner_width && (uint32_t)top < inner_height);
        uint32_t masks = 0xffffffffu;
        if (inside == 0u || (t->is_opaque == 0u && is_easy == 0u))
            masks = masks_at(t, left, top);
        else if (t->is_opaque == 0u)
            masks = nibbles_at(image, (uint32_t)left, (uint32_t)top);
        if (masks == 0xffffffffu) {
            out->coverage[i] = 255;
            out->tap[i] = MIXED;
            out->mixes = 1;
        } else {
            out->tap[i] = weigh(masks, part_of(u), part_of(v), &out->coverage[i]);
        }
        out->any = (uint8_t)(out->any | out->coverage[i]);
        out->all = (uint8_t)(out->all & out->coverage[i]);
    }
}

/* Each pixel's one of the four around it, or the one that it shows. In the panel's row form. */
static void gather(const turning *t, const piece *p, uint8_t tap, uint8_t *room) {
    const GORSE_ROM gorse_image_source *source = t->image->source;
    const uint8_t bits = t->image->format->bits;
    int32_t u = p->u, v = p->v;
    uint8_t unused[GORSE_IMAGE_PIXELS];
    uint8_t *to = room, i;
    for (i = 0; i < p->n; i++, u += t->along, v -= t->across) {
        const uint8_t shown = p->tap[i] == MIXED ? tap : p->tap[i];
        pixel_at(t, whole_of(u) + (int32_t)(shown & 1u), whole_of(v) + (int32_t)(shown >> 1), to);
        to += bits < 8u ? 1u : bits >> 3;
    }
    if (source != 0 && source->convert != 0) {
        memset(unused, 255, p->n);
        source->convert(t->c, source, room, p->n, unused);
    }
}

/* Mixes `over` into pixels of the panel's row form by the parts that each is to the right, or below, of a pixel. */
static GORSE_OWN_FRAME void mix(const turning *t, const piece *p, uint8_t *room, const uint8_t *over, uint8_t down) {
    uint8_t parts[GORSE_IMAGE_PIXELS], i;
    int32_t at = down != 0u ? p->v : p->u;
    gorse_canvas row;
    row.strip.pixels = room;
    row.strip.stride = 0;
    row.strip.x = row.strip.y = 0;
    row.strip.w = p->n;
    row.strip.h = 1;
    row.format = t->c->format;
    row.run = t->c->run;
    row.exchange = 0;
    for (i = 0; i < p->n; i++, at += down != 0u ? -t->across : t->along)
        parts[i] = (uint8_t)part_of(at);
    row.format->copy(&row, 0, 0, p->n, over, parts);
}

static GORSE_OWN_FRAME void mix_pair(const turning *t, const piece *p, uint8_t below, uint32_t *room) {
    uint32_t right[GORSE_IMAGE_PIXELS];
    gather(t, p, (uint8_t)(below + 1u), (uint8_t *)(void *)right);
    mix(t, p, (uint8_t *)(void *)room, (const uint8_t *)(void *)right, 0);
}

static GORSE_OWN_FRAME void mix_below(const turning *t, const piece *p, uint32_t *room) {
    uint32_t below[GORSE_IMAGE_PIXELS];
    gather(t, p, 2, (uint8_t *)(void *)below);
    mix_pair(t, p, 2, below);
    mix(t, p, (uint8_t *)(void *)room, (const uint8_t *)(void *)below, 1);
}

/* A pixel of two bytes, spread for gorse_mix565. */
static uint32_t spread_at(const GORSE_ROM uint8_t *from, uint8_t swap) {
    uint16_t word;
    gorse_copy_rom(&word, from, 2);
    return gorse_spread565(swap != 0u ? (uint16_t)((uint32_t)word << 8 | (uint32_t)word >> 8) : word);
}

/* All that for words of the panel's own form, where they lie. What is mixed has all four pixels in the image. */
static void mix_words(const turning *t, const piece *p, uint16_t *room) {
    const uint8_t swap = (uint8_t)(((t->c->format->flags & GORSE_FORMAT_HIGH_BYTE_FIRST) != 0u) != GORSE_WORDS_ARE_BIG);
    const int32_t width = t->image->width, height = t->image->height;
    const int32_t right = (t->of->mirror & GORSE_MIRROR_ACROSS) != 0u ? -2 : 2;
    const int32_t below = (t->of->mirror & GORSE_MIRROR_DOWN) != 0u ? -2 * width : 2 * width;
    const GORSE_ROM uint8_t *first = t->image->pixels + (right < 0 ? (width - 1) * 2 : 0) +
                                     (below < 0 ? (uint32_t)(height - 1) * (uint32_t)width * 2u : 0u);
    int32_t u = p->u, v = p->v;
    uint8_t i;
    for (i = 0; i < p->n; i++, u += t->along, v -= t->across) {
        const uint8_t tap = p->tap[i];
        if (tap == MIXED) {
            const GORSE_ROM uint8_t *at = first + whole_of(v) * below + whole_of(u) * right;
            const uint32_t across = part_of(u) >> 3, down = part_of(v) >> 3, both = (across * down + 16u) >> 5;
            /* The sum of the parts is 32. */
            const uint32_t sum =
                spread_at(at, swap) * (32u - across - down + both) + spread_at(at + right, swap) * (across - both) +
                spread_at(at + below, swap) * (down - both) + spread_at(at + below + right, swap) * both + 0x02008010u;
            const uint32_t mixed = (sum >> 5) & 0x07e0f81fu;
            const uint16_t word = (uint16_t)(mixed | mixed >> 16);
            room[i] = swap != 0u ? (uint16_t)((uint32_t)word << 8 | (uint32_t)word >> 8) : word;
        } else if (p->coverage[i] != 0u) {
            pixel_at(t, whole_of(u) + (int32_t)(tap & 1u), whole_of(v) + (int32_t)(tap >> 1),
                     (uint8_t *)(void *)(room + i));
        }
    }
}

static GORSE_OWN_FRAME void draw_pixels(const turning *t, const piece *p, gorse_coord x, gorse_coord y) {
    uint32_t room[GORSE_IMAGE_PIXELS]; /* as words, where a panel's pixel is one */
    uint8_t *pixels = (uint8_t *)(void *)room;
    if (t->is_native != 0u) {
        mix_words(t, p, (uint16_t *)(void *)room);
    } else {
        gather(t, p, 0, pixels);
        if (p->mixes != 0u && t->c->format->bits >= 8u) {
            mix_pair(t, p, 0, room);
            mix_below(t, p, room);
        }
    }
    t->c->format->copy(t->c, x, y, p->n, pixels, p->all == 255u ? 0 : p->coverage);
}

static GORSE_OWN_FRAME void draw_row(const turning *t, gorse_coord x, gorse_coord end, gorse_coord y) {
    piece p;
    for (; x < end; x = (gorse_coord)(x + p.n)) {
        take_piece(t, x, y, (gorse_coord)(end - x), &p);
        if (p.any == 0u)
            continue;
        if (t->image->format != 0)
            draw_pixels(t, &p, x, y);
        else
            gorse_mask_span(t->c, x, y, p.n, p.coverage, t->of->colour);
    }
}

void gorse_draw_turned_image(const gorse_canvas *c, const gorse_turned_image *turned) {
    turning t;
    gorse_rect area;
    box_of(turned, &area);
    if (gorse_clip(&area, &c->clip) == 0u)
        return;
    measure(turned, &t);
    t.c = c;
    t.is_native = t.is_opaque = 0;
    if (turned->image->source == 0 && turned->image->format != 0)
        t.is_native = (uint8_t)(c->format->bits == 16u);
    if (turned->image->mask_bits == 0u)
        t.is_opaque = (uint8_t)(has_coverage(turned->image) == 0u);
    for (; area.y0 < area.y1; area.y0++) {
        gorse_coord first = area.x0, end = area.x1;
        bracket(t.u0 + (int32_t)area.y0 * t.across, t.along, -ONE, (int32_t)t.image->width * ONE, &first, &end);
        bracket(t.v0 + (int32_t)area.y0 * t.along, -t.across, -ONE, (int32_t)t.image->height * ONE, &first, &end);
        if (first < end)
            draw_row(&t, first, end, area.y0);
    }
}
