/* SPDX-License-Identifier: MIT */
/* How records and looks are read with what changed in them; for the two files with gorse_see. */
#ifndef GORSE_SEE_H
#define GORSE_SEE_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The bytes of a number that a smaller field of it keeps. */
static inline const uint8_t *gorse_low_bytes(const int32_t *value, uint8_t size) {
#if GORSE_WORDS_ARE_BIG
    return (const uint8_t *)value + 4 - size;
#else
    (void)size;
    return (const uint8_t *)value;
#endif
}

/* Writes the value of a slot over its field. */
static inline void gorse_lay_over(const gorse *g, const GORSE_ROM gorse_slot *slot, int32_t value, gorse_view *view) {
    uint8_t size = slot->size & (uint8_t)~GORSE_SLOT_LOOK;
    uint8_t *field = (slot->size & GORSE_SLOT_LOOK) != 0u ? (uint8_t *)&view->changed : (uint8_t *)&view->record;
    const GORSE_ROM uint8_t *text;
    GORSE_ASSERT(size <= 4u && slot->offset + (size == GORSE_SLOT_TEXT ? sizeof text : size) <=
                                   ((slot->size & GORSE_SLOT_LOOK) != 0u ? sizeof view->changed : sizeof view->record));
    field += slot->offset;
    if (size != GORSE_SLOT_TEXT) {
        memcpy(field, gorse_low_bytes(&value, size), size);
        return;
    }
    text = gorse_string(g, value);
    memcpy(field, &text, sizeof text);
}

/* The look that holds in these states. */
static inline const GORSE_ROM gorse_look *gorse_look_in(const GORSE_ROM gorse_look *look, uint_fast8_t states) {
    const GORSE_ROM gorse_look_state *other = look->states;
    uint8_t i;
    for (i = look->state_count; i != 0u; i--, other++)
        if ((other->when & (uint8_t)~states) == 0u)
            return other->look;
    return look;
}

#ifdef __cplusplus
}
#endif
#endif
