/* SPDX-License-Identifier: MIT */
/* Pixels that count into a palette, which holds the panel's own pixels. */
#include "gorse_draw.h"

void gorse_convert_palette(const gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                           uint16_t n, uint8_t *coverage) {
    uint8_t bytes = (uint8_t)(c->format->bits < 8u ? 1u : c->format->bits >> 3);
    uint8_t *to = pixels + (uint16_t)(n * bytes);
    (void)coverage;
    /* From the end on: what is read lies before what is written. */
    while (n-- != 0u) {
        const GORSE_ROM uint8_t *from = source->palette + (uint16_t)((uint16_t)pixels[n] * bytes);
        uint8_t i;
        to -= bytes;
        for (i = 0; i < bytes; i++)
            to[i] = from[i];
    }
}
