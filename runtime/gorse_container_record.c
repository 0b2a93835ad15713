/* SPDX-License-Identifier: MIT */
/* The records of widgets as rules and fingers have changed them. */
#include "gorse_container.h"
#include "gorse_see.h"

GORSE_OWN_FRAME void gorse_read_record(const gorse *g, uint16_t number, void *out, uint8_t bytes) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    const GORSE_ROM gorse_widget *from = screen->widgets[number];
    uint16_t slot_number = from->first_slot;
    uint8_t count;
    gorse_copy_rom(out, from, bytes);
    for (count = from->slot_count; count != 0u; count--, slot_number++) {
        const GORSE_ROM gorse_slot *slot = &screen->slots[slot_number];
        const int32_t *value = &gorse_slots(g)[screen->first_slot + slot_number];
        if ((slot->size & GORSE_SLOT_LOOK) == 0u && slot->size != GORSE_SLOT_TEXT &&
            (uint8_t)(slot->offset + slot->size) <= bytes)
            memcpy((uint8_t *)out + slot->offset, gorse_low_bytes(value, slot->size), slot->size);
    }
}
