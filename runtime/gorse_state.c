/* SPDX-License-Identifier: MIT */
/* Where things are in the state that the caller supplies, and how records are read with what changed in them. */
#include <string.h>

#include "gorse_internal.h"

/* The head has the same size on every target. */
typedef char head_has_its_stated_size[sizeof(gorse_head) == GORSE_HEAD_BYTES ? 1 : -1];

uint32_t gorse_state_bytes(const GORSE_ROM gorse_scene *scene) { return (uint32_t)sizeof(gorse_head) + scene->end; }

/* The bytes of a number that a smaller field of it keeps. */
static const uint8_t *low_bytes(const int32_t *value, uint8_t size) {
#if GORSE_WORDS_ARE_BIG
    return (const uint8_t *)value + 4 - size;
#else
    (void)size;
    return (const uint8_t *)value;
#endif
}

static void lay_over(const gorse *g, const GORSE_ROM gorse_slot *slot, int32_t value, gorse_view *view) {
    uint8_t size = slot->size & (uint8_t)~GORSE_SLOT_LOOK;
    uint8_t *field = (slot->size & GORSE_SLOT_LOOK) != 0u ? (uint8_t *)&view->changed : (uint8_t *)&view->record;
    const GORSE_ROM uint8_t *text;
    GORSE_ASSERT(size <= 4u && slot->offset + (size == GORSE_SLOT_TEXT ? sizeof text : size) <=
                                   ((slot->size & GORSE_SLOT_LOOK) != 0u ? sizeof view->changed : sizeof view->record));
    field += slot->offset;
    if (size != GORSE_SLOT_TEXT) {
        memcpy(field, low_bytes(&value, size), size);
        return;
    }
    text = gorse_string(g, value);
    memcpy(field, &text, sizeof text);
}

/* The look that holds in these states. */
static const GORSE_ROM gorse_look *look_in(const GORSE_ROM gorse_look *look, uint_fast8_t states) {
    const GORSE_ROM gorse_look_state *other = look->states;
    uint8_t i;
    for (i = look->state_count; i != 0u; i--, other++)
        if ((other->when & (uint8_t)~states) == 0u)
            return other->look;
    return look;
}

void gorse_see(const gorse *g, uint16_t widget, gorse_view *view) {
    const gorse_head *head = gorse_head_of(g);
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    const GORSE_ROM gorse_widget *from = screen->widgets[widget];
    const GORSE_ROM gorse_look *look =
        look_in(from->look, head->pressed == widget && head->inside != 0u ? GORSE_STATE_PRESSED : 0u);
    uint8_t count = from->slot_count;
    uint16_t number;
    GORSE_ASSERT(widget < screen->widget_count && from->kind->record_bytes <= sizeof view->record);
    GORSE_ASSERT((uint16_t)(from->first_slot + count) <= screen->slot_count);
    view->widget = &view->record.widget;
    view->look = &view->changed;
#if !GORSE_SEPARATE_ROM
    if (count == 0u) {
        view->widget = from;
        view->look = look;
        return;
    }
#endif
    gorse_copy_rom(&view->record, from, from->kind->record_bytes);
    gorse_copy_rom(&view->changed, look, sizeof view->changed);
    for (number = from->first_slot; count != 0u; count--, number++)
        lay_over(g, &screen->slots[number], gorse_slots(g)[screen->first_slot + number], view);
}

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
