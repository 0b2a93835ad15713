/* SPDX-License-Identifier: MIT */
/* Reads glyphs that are stored as runs of half bytes:
 *   1 bit a pixel: lengths of runs, not set and set in turn;
 *   2 bits: the value above, below it the length less 1;
 *   4 bits: the value; 0 and 15 are followed by the length less 1;
 *   8 bits: the value in two; 0 and 255 are followed by the length less 1.
 * A half byte of a length adds to it; after the largest (15, or 3 in the low bits of 2-bit values) another follows. */
#include "gorse_text.h"

static uint8_t next_half(gorse_glyph_reader *from) {
    uint8_t byte = *from->bits;
    if (from->low != 0u) {
        from->bits++;
        from->low = 0;
        return byte & 15u;
    }
    from->low = 1;
    return (uint8_t)(byte >> 4);
}

static void next_run(gorse_glyph_reader *from) {
    uint8_t more = 1;
    from->left = 1;
    if (from->depth == 1u) {
        from->value = (uint8_t)(255u - from->value);
        from->left = 0;
    } else {
        uint8_t half = next_half(from);
        if (from->depth == 2u) {
            from->value = (uint8_t)((half >> 2) * 85u);
            from->left = (uint16_t)(1u + (half & 3u));
            more = (uint8_t)((half & 3u) == 3u);
        } else {
            from->value = (uint8_t)(half * 17u);
            if (from->depth == 8u)
                from->value = (uint8_t)((uint8_t)(half << 4) | next_half(from));
            more = (uint8_t)(from->value == 0u || from->value == 255u);
        }
    }
    while (more != 0u) {
        uint8_t half = next_half(from);
        from->left = (uint16_t)(from->left + half);
        more = (uint8_t)(half == 15u);
    }
}

#if GORSE_FAST
void gorse_read_glyph_runs(gorse_glyph_reader *reader, uint16_t skip, uint16_t n, uint8_t *coverage) {
    /* A copy that the coverage does not lie in, as far as the compiler knows. */
    gorse_glyph_reader from = *reader;
    for (;;) {
        uint16_t part;
        while (from.left == 0u)
            next_run(&from);
        if (skip != 0u) {
            part = skip < from.left ? skip : from.left;
            skip = (uint16_t)(skip - part);
        } else {
            part = n < from.left ? n : from.left;
            n = (uint16_t)(n - part);
            if (part == 1u)
                *coverage = from.value;
            else
                memset(coverage, from.value, part);
            coverage += part;
        }
        from.left = (uint16_t)(from.left - part);
        if (n == 0u)
            break;
    }
    *reader = from;
}
#else
void gorse_read_glyph_runs(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage) {
    for (;;) {
        while (from->left == 0u)
            next_run(from);
        if (skip != 0u) {
            uint16_t part = skip < from->left ? skip : from->left;
            skip = (uint16_t)(skip - part);
            from->left = (uint16_t)(from->left - part);
        } else {
            uint16_t part = n < from->left ? n : from->left;
            n = (uint16_t)(n - part);
            from->left = (uint16_t)(from->left - part);
            while (part-- != 0u)
                *coverage++ = from->value;
            if (n == 0u)
                return;
        }
    }
}
#endif
