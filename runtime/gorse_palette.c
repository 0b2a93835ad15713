/* SPDX-License-Identifier: MIT */
#include "gorse_palette.h"

gorse_colour gorse_palette_colour(const gorse_canvas *c, uint8_t entry) {
    const GORSE_ROM gorse_panel *panel = c->run->scene->panel;
    return entry < panel->palette_count ? panel->palette[entry] : 0xff000000u;
}

static uint32_t distance(gorse_colour a, gorse_colour b) {
    uint32_t sum = 0;
    uint8_t shift;
    for (shift = 0; shift < 24u; shift = (uint8_t)(shift + 8u)) {
        uint32_t one = (a >> shift) & 255u, other = (b >> shift) & 255u;
        uint32_t apart = one > other ? one - other : other - one;
        sum += apart * apart;
    }
    return sum;
}

uint32_t gorse_palette_nearest(const gorse_canvas *c, gorse_colour colour) {
    const GORSE_ROM gorse_panel *panel = c->run->scene->panel;
    uint32_t min = 0xffffffffu;
    uint16_t best = 0, i;
    for (i = 0; i < panel->palette_count; i++) {
        uint32_t apart = distance(colour, panel->palette[i]);
        if (apart < min) {
            min = apart;
            best = i;
        }
    }
    return best;
}
