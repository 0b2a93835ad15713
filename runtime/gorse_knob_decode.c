/* SPDX-License-Identifier: MIT */
#include "gorse_knob_decode.h"

int8_t gorse_knob_decode(gorse_knob_phases *knob, uint8_t a, uint8_t b, uint8_t quarters) {
    const uint8_t at = (uint8_t)(a != 0u ? (b != 0u ? 2 : 1) : (b != 0u ? 3 : 0));
    const uint8_t moved = (uint8_t)((uint8_t)(at + 4u - knob->at) & 3u);
    int8_t steps = 0;
    if (knob->known == 0u) {
        knob->known = 1;
        knob->at = at;
        knob->from = at;
        return 0;
    }
    if (moved == 0u)
        return 0;
    if (moved != 2u && at != knob->from)
        knob->direction = (int8_t)(moved == 1u ? 1 : -1);
    knob->from = knob->at;
    knob->at = at;
    knob->quarters = (int8_t)(knob->quarters + (moved == 2u ? 2 * knob->direction : moved == 1u ? 1 : -1));
    while (knob->quarters >= (int8_t)quarters && quarters != 0u) {
        knob->quarters = (int8_t)(knob->quarters - (int8_t)quarters);
        steps++;
    }
    while (knob->quarters <= -(int8_t)quarters && quarters != 0u) {
        knob->quarters = (int8_t)(knob->quarters + (int8_t)quarters);
        steps--;
    }
    return steps;
}
