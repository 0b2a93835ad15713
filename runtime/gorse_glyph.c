/* SPDX-License-Identifier: MIT */
/* Draws one glyph's bitmap of 1, 2, 4 or 8 bits a pixel. */
#include "gorse_text.h"

/* The usual depth, two pixels a byte. */
static void read_nibbles(const GORSE_ROM uint8_t *bits, uint32_t at, uint16_t n, uint8_t *out) {
    uint16_t pairs;
    bits += at >> 1;
    if ((at & 1u) != 0u) {
        *out++ = (uint8_t)((*bits++ & 15u) * 17u);
        n--;
    }
    for (pairs = n >> 1; pairs != 0u; pairs--) {
        uint8_t byte = *bits++;
        *out++ = (uint8_t)((byte >> 4) * 17u);
        *out++ = (uint8_t)((byte & 15u) * 17u);
    }
    if ((n & 1u) != 0u)
        *out = (uint8_t)((*bits >> 4) * 17u);
}

/* n pixels from pixel number `at` of the bitmap, as coverage. */
static void read_bits(const GORSE_ROM uint8_t *bits, uint32_t at, uint16_t n, uint8_t depth, uint8_t *out) {
    uint8_t top = (uint8_t)((1u << depth) - 1u);
    uint8_t factor = (uint8_t)(255u / top);
    uint32_t bit = at * depth;
    uint8_t left = (uint8_t)(8u - (uint8_t)(bit & 7u));
    uint8_t byte;
    bits += bit >> 3;
    byte = *bits;
    while (n-- != 0u) {
        if (left == 0u) {
            byte = *++bits;
            left = 8;
        }
        left = (uint8_t)(left - depth);
        *out++ = (uint8_t)((uint8_t)((uint8_t)(byte >> left) & top) * factor);
    }
}

void gorse_draw_glyph(const gorse_canvas *c, const gorse_font *font, const gorse_glyph *glyph, int16_t x, int16_t y,
                      gorse_colour colour) {
    uint8_t coverage[GORSE_CHUNK];
    const GORSE_ROM uint8_t *bits =
        font->bits + ((uint32_t)glyph->offset_high << 16 | (uint32_t)glyph->offset_low);
    gorse_glyph_runs runs;
    gorse_rect area;
    int16_t row;
    uint16_t skip;
    uint8_t solid = (uint8_t)(gorse_alpha(colour) == 255u);
    uint32_t native;
    area.x0 = x;
    area.y0 = y;
    area.x1 = (int16_t)(x + glyph->width);
    area.y1 = (int16_t)(y + glyph->height);
    area = gorse_both(area, c->clip);
    if (gorse_is_empty(area))
        return;
    native = c->format.native(c, colour);
    runs.bits = bits;
    runs.left = 0;
    runs.value = 255;
    runs.depth = font->bits_per_pixel;
    runs.low = 0;
    skip = (uint16_t)((uint16_t)(area.y0 - y) * (uint16_t)glyph->width + (uint16_t)(area.x0 - x));
    for (row = area.y0; row < area.y1; row++) {
        uint32_t at = (uint32_t)(uint16_t)(row - y) * glyph->width + (uint16_t)(area.x0 - x);
        int16_t column = area.x0;
        while (column < area.x1) {
            uint16_t n = (uint16_t)(area.x1 - column);
            if (n > GORSE_CHUNK)
                n = GORSE_CHUNK;
            if (font->read != 0)
                font->read(&runs, skip, n, coverage);
            else if (font->bits_per_pixel == 4u)
                read_nibbles(bits, at, n, coverage);
            else
                read_bits(bits, at, n, font->bits_per_pixel, coverage);
            if (solid != 0u)
                c->format.mask(c, column, row, n, coverage, native);
            else
                gorse_mask_span(c, column, row, n, coverage, colour);
            at += n;
            skip = 0;
            column = (int16_t)(column + (int16_t)n);
        }
        skip = (uint16_t)(glyph->width - (uint16_t)(area.x1 - area.x0));
    }
}
