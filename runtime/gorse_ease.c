/* SPDX-License-Identifier: MIT */
#include "gorse_ease.h"

/* One jump of a bounce, from `first` to `end` of the time, as high as a square of its length; how far from the end. */
static uint32_t jump(uint32_t part, uint32_t first, uint32_t end) {
    return (part - first) * (end - part) * 4u / GORSE_EASED;
}

static uint32_t bounce(uint32_t part) {
    /* The fall takes 2 of 5 parts of the time, the jumps 2 and 1. */
    enum { FALLEN = GORSE_EASED * 2 / 5, JUMPED = GORSE_EASED * 4 / 5 };
    if (part < FALLEN)
        return part * part / FALLEN * (GORSE_EASED / 8) / (FALLEN / 8);
    if (part < JUMPED)
        return GORSE_EASED - jump(part, FALLEN, JUMPED) * 25u / 16u;
    return GORSE_EASED - jump(part, JUMPED, GORSE_EASED) * 25u / 16u;
}

uint16_t gorse_eased(uint32_t passed, uint32_t whole, uint8_t ease) {
    const uint32_t part = passed < whole ? passed * GORSE_EASED / whole : GORSE_EASED, rest = GORSE_EASED - part;
    switch (ease) {
    case GORSE_EASE_IN: return (uint16_t)(part * part / GORSE_EASED);
    case GORSE_EASE_OUT: return (uint16_t)(GORSE_EASED - rest * rest / GORSE_EASED);
    case GORSE_EASE_BOTH:
        return (uint16_t)(part < GORSE_EASED / 2 ? part * part * 2u / GORSE_EASED
                                                 : GORSE_EASED - rest * rest * 2u / GORSE_EASED);
    case GORSE_EASE_BOUNCE: {
        const uint32_t fallen = bounce(part);
        return (uint16_t)(fallen > GORSE_EASED ? (uint32_t)GORSE_EASED : fallen);
    }
    default: return (uint16_t)part;
    }
}
