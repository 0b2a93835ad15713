/* SPDX-License-Identifier: MIT */
/* Pixels that count into a palette, which holds the panel's own pixels. */
#include "gorse_image_colours.h"

void gorse_convert_palette(const gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                           uint16_t n, uint8_t *coverage) {
    const gorse_exchange *exchange = c->exchange;
    const uint32_t other = exchange != 0 ? c->format->native(c, exchange->colour) : 0u;
    uint8_t bytes = (uint8_t)(c->format->bits < 8u ? 1u : c->format->bits >> 3);
    uint8_t *to = pixels + (uint16_t)(n * bytes);
    /* From the end on: what is read lies before what is written. */
    while (n-- != 0u) {
        const uint8_t entry = pixels[n];
        const GORSE_ROM uint8_t *from = source->palette + (uint16_t)((uint16_t)entry * bytes);
        uint8_t i;
        to -= bytes;
        for (i = 0; i < bytes; i++)
            to[i] = from[i];
        if (exchange != 0 && exchange->entry == entry) {
            gorse_store_pixel(to, other, bytes);
            coverage[n] = gorse_scale8(coverage[n], gorse_alpha(exchange->colour));
        }
    }
}
