/* SPDX-License-Identifier: MIT */
/* Reads glyphs of 4 bits a pixel, the default depth. `left` counts the pixels that were read. */
#include "gorse_text.h"

void gorse_read_glyph_nibbles(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage) {
    uint16_t at = (uint16_t)(from->left + skip);
    const GORSE_ROM uint8_t *bits = from->bits + (at >> 1);
    from->left = (uint16_t)(at + n);
    if ((at & 1u) != 0u) {
        *coverage++ = (uint8_t)((*bits++ & 15u) * 17u);
        n--;
    }
#if GORSE_FAST
    if (n > 1u) {
        /* By numbers, which the compiler can do several at a time. */
        const uint16_t pairs = n / 2u;
        uint16_t i;
        for (i = 0; i < pairs; i++) {
            coverage[2u * i] = (uint8_t)((bits[i] >> 4) * 17u);
            coverage[2u * i + 1u] = (uint8_t)((bits[i] & 15u) * 17u);
        }
        bits += pairs;
        coverage += 2u * pairs;
        n = (uint16_t)(n - 2u * pairs);
    }
#endif
    for (; n > 1u; n = (uint16_t)(n - 2u)) {
        uint8_t byte = *bits++;
        *coverage++ = (uint8_t)((byte >> 4) * 17u);
        *coverage++ = (uint8_t)((byte & 15u) * 17u);
    }
    if (n != 0u)
        *coverage = (uint8_t)((*bits >> 4) * 17u);
}
