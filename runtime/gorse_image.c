/* SPDX-License-Identifier: MIT */
/* Draws images that lie plainly in memory in the panel's own form; others draw themselves by their source. */
#include "gorse_image.h"

gorse_coord gorse_placed(gorse_coord from, gorse_coord to, gorse_coord size, uint8_t how) {
    if (how == GORSE_ALIGN_START)
        return from;
    to = (gorse_coord)(to - size);
    return how == GORSE_ALIGN_END ? to : (gorse_coord)(from + (to - from) / 2);
}

#if GORSE_FAST
/* Spreads whole bytes. Returns how many. */
static uint16_t spread_bytes(const uint8_t *bytes, uint8_t bits, uint16_t n, uint8_t *out) {
    const uint16_t count = (uint16_t)((uint32_t)n * bits / 8u), top = (uint16_t)((1u << bits) - 1u);
    uint16_t i;
    uint8_t shift;
    if (bits == 8u) {
        memcpy(out, bytes, n);
    } else if (bits == 4u) {
        for (i = 0; i < count; i++) {
            out[2u * i] = (uint8_t)((bytes[i] >> 4) * 17u);
            out[2u * i + 1u] = (uint8_t)((bytes[i] & 15u) * 17u);
        }
    } else {
        for (i = 0; i < count; i++) {
            /* Most are all opaque or all clear. */
            if ((uint8_t)(bytes[i] + 1u) < 2u) {
                memset(out, bytes[i], 8u / bits);
                out += 8u / bits;
                continue;
            }
            for (shift = 8; shift != 0u; shift = (uint8_t)(shift - bits))
                *out++ = (uint8_t)(((uint32_t)bytes[i] >> (shift - bits) & top) * (255u / top));
        }
    }
    return count;
}
#endif

void gorse_spread_mask(const uint8_t *bytes, uint8_t bits, uint16_t column, uint16_t n, uint8_t *out) {
    uint8_t top = (uint8_t)((1u << bits) - 1u);
    uint8_t factor = (uint8_t)(255u / top);
    uint8_t left = (uint8_t)(8u - (uint8_t)((uint32_t)column * bits & 7u));
#if GORSE_FAST
    if (left == 8u) {
        const uint16_t whole = spread_bytes(bytes, bits, n, out);
        bytes += whole;
        out += 8u / bits * whole;
        n = (uint16_t)(n - 8u / bits * whole);
    }
#endif
    while (n-- != 0u) {
        if (left == 0u) {
            bytes++;
            left = 8;
        }
        left = (uint8_t)(left - bits);
        *out++ = (uint8_t)((uint8_t)((uint8_t)(*bytes >> left) & top) * factor);
    }
}

uint16_t gorse_bytes_of(uint16_t x, uint16_t n, uint8_t bits) {
    uint32_t first = (uint32_t)x * bits >> 3;
    uint32_t end = ((uint32_t)((uint32_t)x + n) * bits + 7u) >> 3;
    return (uint16_t)(end - first);
}

uint8_t gorse_image_area(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                         gorse_rect *area) {
    area->x0 = x;
    area->y0 = y;
    area->x1 = (gorse_coord)((int32_t)x + image->width > 32767 ? 32767 : x + (gorse_coord)image->width);
    area->y1 = (gorse_coord)((int32_t)y + image->height > 32767 ? 32767 : y + (gorse_coord)image->height);
    return gorse_clip(area, &c->clip);
}

/* Bytes of a table where a plain pointer can read them. */
static const uint8_t *bytes_at(const GORSE_ROM uint8_t *from, uint16_t n, uint8_t *room) {
#if GORSE_SEPARATE_ROM
    gorse_copy_rom(room, from, n);
    return room;
#else
    (void)n;
    (void)room;
    return from;
#endif
}

/* Bytes of the row of a plane with `bits` a pixel, from the one that holds pixel x on. */
static const uint8_t *row_at(const GORSE_ROM uint8_t *plane, uint16_t width, uint8_t bits, uint16_t x, uint16_t y,
                             uint16_t n, uint8_t *room) {
    uint32_t row_bytes = ((uint32_t)width * bits + 7u) >> 3;
    return bytes_at(plane + y * row_bytes + ((uint32_t)x * bits >> 3), gorse_bytes_of(x, n, bits), room);
}

const uint8_t *gorse_get_image_bytes(const GORSE_ROM gorse_image *image, uint16_t x, uint16_t y, uint16_t n,
                                     uint8_t *room) {
    return row_at(image->pixels, image->width, image->format->bits, x, y, n, room);
}

const uint8_t *gorse_get_image_bits(const GORSE_ROM gorse_image *image, uint16_t x, uint16_t y, uint16_t n,
                                    uint8_t *room) {
    const GORSE_ROM gorse_image_format *format = image->format;
    uint8_t packed[GORSE_IMAGE_PIXELS];
    uint8_t bits = format->bits;
    if (format->rows == 8u)
        format->spread(bytes_at(image->pixels + (uint32_t)(y >> 3) * image->width + x, n, packed), (uint8_t)(y & 7u), n,
                       room);
    else
        format->spread(row_at(image->pixels, image->width, bits, x, y, n, packed),
                       (uint8_t)(x & (uint16_t)(8u / bits - 1u)), n, room);
    return room;
}

static GORSE_OWN_FRAME void draw_span(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x,
                                      gorse_coord y, uint16_t column, uint16_t row, uint16_t n, gorse_colour colour) {
    uint8_t coverage[GORSE_IMAGE_PIXELS];
    uint8_t room[GORSE_IMAGE_PIXELS * 4];
    const uint8_t *covered = 0;
    if (image->mask != 0) {
        covered = coverage;
        gorse_spread_mask(row_at(image->mask, image->width, image->mask_bits, column, row, n, room), image->mask_bits,
                          column, n, coverage);
    }
    if (image->pixels != 0)
        c->format->copy(c, x, y, n, image->format->get(image, column, row, n, room), covered);
    else if (covered != 0)
        gorse_mask_span(c, x, y, n, covered, colour);
}

void gorse_draw_image(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                      gorse_colour colour) {
    gorse_rect area;
    uint_fast16_t max = GORSE_IMAGE_PIXELS;
    if (image->source != 0) {
        image->source->draw(c, image, x, y, colour);
        return;
    }
#if !GORSE_SEPARATE_ROM
    if (image->mask == 0 && image->format != 0 && image->format->spread == 0)
        max = image->width;
#endif
    if (gorse_image_area(c, image, x, y, &area) == 0u)
        return;
    for (; area.y0 < area.y1; area.y0++) {
        gorse_coord at = area.x0;
        while (at < area.x1) {
            uint_fast16_t n = (uint_fast16_t)(area.x1 - at);
            if (n > max)
                n = max;
            draw_span(c, image, at, area.y0, (uint16_t)(at - x), (uint16_t)(area.y0 - y), (uint16_t)n, colour);
            at = (gorse_coord)(at + (gorse_coord)n);
        }
    }
}

void gorse_draw_image_box(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look,
                          const GORSE_ROM gorse_image *image, uint8_t align, uint8_t place) {
    gorse_rect box;
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
    if (image == 0)
        return;
    gorse_shrink(&box, (gorse_coord)(look->border_width + look->padding));
    gorse_draw_image(c, image, gorse_placed(box.x0, box.x1, (gorse_coord)image->width, align),
                     gorse_placed(box.y0, box.y1, (gorse_coord)image->height, place), look->text);
}
