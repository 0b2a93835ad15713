/* SPDX-License-Identifier: MIT */
/* Scenes with controls and no containers: gorse_container_place.c takes the place of this file in others. */
#include "gorse_container.h"

GORSE_REPLACEABLE void gorse_place_held(const gorse *g, uint16_t number, gorse_widget *widget) {
    (void)g;
    (void)number;
    (void)widget;
}

GORSE_REPLACEABLE uint8_t gorse_clip_to_holders(const gorse *g, uint16_t number, gorse_rect *area) {
    (void)g;
    (void)number;
    (void)area;
    return 1;
}
