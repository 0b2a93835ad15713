/* SPDX-License-Identifier: MIT */
/* Where things are in the state that the caller supplies, and how records are read with what changed in them. */
#include <string.h>

#include "gorse_internal.h"

/* The head has the same size on every target. */
typedef char head_has_its_stated_size[sizeof(gorse_head) == GORSE_HEAD_BYTES ? 1 : -1];

uint32_t gorse_state_bytes(const GORSE_ROM gorse_scene *scene) { return (uint32_t)sizeof(gorse_head) + scene->end; }

void gorse_mark_changed(gorse *g, uint16_t variable) {
    uint8_t *bits = gorse_changed_bits(g);
    bits[variable >> 3] = (uint8_t)(bits[variable >> 3] | (1u << (variable & 7u)));
    gorse_head_of(g)->anything_changed = 1;
}

void gorse_set_slot(gorse *g, uint16_t number, uint16_t screen_number, int32_t value) {
    gorse_head *head = gorse_head_of(g);
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    int32_t *slot = gorse_slots(g);
    uint16_t widget;
    if (number >= g->scene->slot_count)
        return;
    slot += number;
    if (*slot == value)
        return;
    head->anything_changed = 1;
    if (screen_number != head->screen) {
        *slot = value;
        return;
    }
    GORSE_ASSERT(number >= screen->first_slot && number - screen->first_slot < screen->slot_count);
    widget = screen->slots[number - screen->first_slot].widget;
    gorse_dirty_number(g, widget);
    *slot = value;
    gorse_refresh_text(g, widget);
    gorse_dirty_number(g, widget);
}

const GORSE_ROM uint8_t *gorse_string(const gorse *g, int32_t number) {
    if ((uint32_t)number < g->scene->string_count)
        return g->scene->strings[(uint16_t)number];
    return 0;
}

gorse_text_source gorse_text_by_value(const gorse *g, int32_t value) {
    const GORSE_ROM uint8_t *string = gorse_string(g, value);
    if (string != 0)
        return gorse_rom_text(string);
    return gorse_plain_text(gorse_text_value(g, (uint16_t)((uint32_t)value ^ GORSE_TEXT_IS_VARIABLE)));
}
