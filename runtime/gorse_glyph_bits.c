/* SPDX-License-Identifier: MIT */
/* Reads glyphs of 1, 2, 4 or 8 bits a pixel. `left` counts the pixels that were read. */
#include "gorse_text.h"

void gorse_read_glyph_bits(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage) {
    uint8_t depth = from->depth;
    uint8_t top = (uint8_t)((1u << depth) - 1u);
    uint8_t factor = (uint8_t)(255u / top);
    uint16_t at = (uint16_t)(from->left + skip);
    uint32_t bit = (uint32_t)at * depth;
    const GORSE_ROM uint8_t *bits = from->bits + (bit >> 3);
    uint8_t left = (uint8_t)(8u - (uint8_t)(bit & 7u));
    uint8_t byte = *bits;
    from->left = (uint16_t)(at + n);
    while (n-- != 0u) {
        if (left == 0u) {
            byte = *++bits;
            left = 8;
        }
        left = (uint8_t)(left - depth);
        *coverage++ = (uint8_t)((uint8_t)((uint8_t)(byte >> left) & top) * factor);
    }
}
