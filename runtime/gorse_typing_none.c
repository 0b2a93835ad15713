/* SPDX-License-Identifier: MIT */
/* Scenes with controls, but without fields: gorse_typing.c takes the place of this file in others. */
#include "gorse_typing.h"

GORSE_REPLACEABLE int16_t gorse_lift(const gorse *g) {
    (void)g;
    return 0;
}

GORSE_REPLACEABLE void gorse_place_lifted(const gorse *g, uint16_t number, gorse_widget *widget) {
    (void)g;
    (void)number;
    (void)widget;
}

GORSE_REPLACEABLE void gorse_leave_typing(gorse *g, uint16_t pressed) {
    (void)g;
    (void)pressed;
}

GORSE_REPLACEABLE uint8_t gorse_is_entered(const gorse *g, uint16_t number) {
    (void)g;
    (void)number;
    return 0;
}

GORSE_REPLACEABLE uint8_t gorse_turn_typing(gorse *g, int8_t steps) {
    (void)g;
    (void)steps;
    return 0;
}

GORSE_REPLACEABLE uint8_t gorse_key_typing(gorse *g, uint8_t key) {
    (void)g;
    (void)key;
    return 0;
}

GORSE_REPLACEABLE void gorse_type(gorse *g, uint32_t character) {
    (void)g;
    (void)character;
}

GORSE_REPLACEABLE uint8_t gorse_is_typing(const gorse *g) {
    (void)g;
    return 0;
}
