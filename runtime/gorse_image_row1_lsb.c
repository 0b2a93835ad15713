/* SPDX-License-Identifier: MIT */
/* Eight pixels a byte, the leftmost in the lowest bit. */
#include "gorse_draw.h"

static void spread(const uint8_t *bytes, uint8_t skip, uint16_t n, uint8_t *out) {
    for (; n != 0u; n--) {
        *out++ = (uint8_t)((uint8_t)(*bytes >> skip) & 1u);
        if (++skip == 8u) {
            skip = 0;
            bytes++;
        }
    }
}

const GORSE_ROM gorse_image_format gorse_image_row1_lsb = {1, 1, gorse_get_image_bits, spread};
