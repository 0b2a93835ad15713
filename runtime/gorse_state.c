/* SPDX-License-Identifier: MIT */
/* Where things stand in the state that the caller handed over, and how records are read with what changed in them. */
#include <string.h>

#include "gorse_internal.h"

/* The head has the same size on every target. */
typedef char head_is_as_told[sizeof(gorse_head) == GORSE_HEAD_BYTES ? 1 : -1];

static uint32_t rounded(uint32_t bytes) { return (bytes + 3u) & ~(uint32_t)3u; }

static uint16_t variable_bytes(const gorse *g) {
    return (uint16_t)((uint16_t)(g->scene->number_count + g->scene->text_count + 7u) >> 3);
}

int32_t *gorse_numbers(const gorse *g) { return (int32_t *)(void *)(g->state + sizeof(gorse_head)); }

int32_t *gorse_slots(const gorse *g) { return gorse_numbers(g) + g->scene->number_count; }

uint32_t *gorse_timers(const gorse *g) { return (uint32_t *)(void *)(gorse_slots(g) + g->scene->slot_count); }

uint8_t *gorse_changed_bits(const gorse *g) { return (uint8_t *)(void *)(gorse_timers(g) + g->scene->timer_count); }

uint8_t *gorse_when_bytes(const gorse *g) { return gorse_changed_bits(g) + variable_bytes(g); }

char *gorse_texts(const gorse *g) { return (char *)(void *)(gorse_when_bytes(g) + g->scene->when_count); }

char *gorse_screen_memory(const gorse *g) { return gorse_texts(g) + g->scene->text_bytes; }

uint32_t gorse_state_bytes(const GORSE_ROM gorse_scene *scene) {
    uint32_t words = (uint32_t)scene->number_count + scene->slot_count + scene->timer_count;
    uint32_t variables = (uint32_t)scene->number_count + scene->text_count;
    return rounded((uint32_t)sizeof(gorse_head) + words * 4u + ((variables + 7u) >> 3) + scene->when_count +
                   scene->text_bytes + scene->screen_bytes);
}

static void lay_over(const gorse *g, const GORSE_ROM gorse_slot *slot, int32_t value, gorse_view *view) {
    uint8_t size = slot->size;
    uint8_t *field = (size & GORSE_SLOT_LOOK) != 0u ? (uint8_t *)&view->changed : (uint8_t *)&view->record;
    const GORSE_ROM uint8_t *text;
    uint16_t part = (uint16_t)value;
    field += slot->offset;
    size = (uint8_t)(size & ~GORSE_SLOT_LOOK);
    if (size == GORSE_SLOT_TEXT) {
        text = gorse_string(g, value);
        memcpy(field, &text, sizeof text);
    } else if (size == 1u) {
        *field = (uint8_t)value;
    } else if (size == 2u) {
        memcpy(field, &part, 2);
    } else {
        memcpy(field, &value, 4);
    }
}

/* The look that holds in these states. */
static const GORSE_ROM gorse_look *look_in(const GORSE_ROM gorse_look *look, uint8_t states) {
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
    uint8_t pressed = head->pressed == widget && head->inside != 0u ? GORSE_STATE_PRESSED : 0u;
    const GORSE_ROM gorse_look *look = look_in(from->look, pressed);
    uint8_t count = from->slot_count;
    uint16_t number;
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
    return gorse_plain_text(gorse_text_value(g, (uint16_t)((uint32_t)value ^ GORSE_TEXT_OF_VARIABLE)));
}
