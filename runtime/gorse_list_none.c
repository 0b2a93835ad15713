/* SPDX-License-Identifier: MIT */
/* Scenes with controls, but without lists: gorse_kind_list.c takes the place of this file in others. */
#include "gorse_list.h"

GORSE_REPLACEABLE int32_t gorse_list_way(const gorse *g, uint16_t number) {
    (void)g;
    (void)number;
    return 0;
}

GORSE_REPLACEABLE uint8_t gorse_snap_of(const gorse *g, uint16_t number) {
    (void)g;
    (void)number;
    return 0;
}

GORSE_REPLACEABLE uint8_t gorse_step_list(gorse *g, uint16_t number, int8_t way) {
    (void)g;
    (void)number;
    (void)way;
    return 0;
}
