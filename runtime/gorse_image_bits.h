/* SPDX-License-Identifier: MIT */
/* Several pixels a byte, the leftmost in the highest bits. `bits` is a constant. */
#ifndef GORSE_IMAGE_BITS_H
#define GORSE_IMAGE_BITS_H

#include "gorse_draw.h"

static inline void gorse_spread_bits(const uint8_t *bytes, uint8_t skip, uint16_t n, uint8_t *out, uint8_t bits) {
    uint8_t left = (uint8_t)(8u - (uint8_t)(skip * bits));
    while (n-- != 0u) {
        if (left == 0u) {
            bytes++;
            left = 8;
        }
        left = (uint8_t)(left - bits);
        *out++ = (uint8_t)((uint8_t)(*bytes >> left) & (uint8_t)((1u << bits) - 1u));
    }
}

#define GORSE_DEFINE_BITS_IMAGE(name, bits)                                            \
    static void spread(const uint8_t *bytes, uint8_t skip, uint16_t n, uint8_t *out) { \
        gorse_spread_bits(bytes, skip, n, out, bits);                                  \
    }                                                                                  \
    const GORSE_ROM gorse_image_format name = {bits, 1, gorse_get_image_bits, spread};

#endif
