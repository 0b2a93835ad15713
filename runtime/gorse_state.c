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

void gorse_get_screen(const gorse *g, uint16_t screen, gorse_screen *out) {
    gorse_copy_rom(out, &g->scene->screens[screen], sizeof *out);
}

uint8_t gorse_kind_flags(const gorse_widget *widget) { return widget->kind->flags; }

static void lay_over(const gorse *g, const gorse_slot *slot, int32_t value, gorse_record *record, gorse_look *look) {
    uint8_t *field = (slot->size & GORSE_SLOT_LOOK) != 0u ? (uint8_t *)(void *)look : (uint8_t *)(void *)record;
    field += slot->offset;
    switch (slot->size & (uint8_t)~GORSE_SLOT_LOOK) {
    case GORSE_SLOT_TEXT: {
        const GORSE_ROM uint8_t *text = 0;
        if ((uint32_t)value < g->scene->string_count)
            text = g->scene->strings[(uint16_t)value];
        memcpy(field, &text, sizeof text);
        break;
    }
    case 1: {
        *field = (uint8_t)value;
        break;
    }
    case 2: {
        uint16_t part = (uint16_t)value;
        memcpy(field, &part, 2);
        break;
    }
    default:
        memcpy(field, &value, 4);
        break;
    }
}

static void get_look(const gorse *g, const gorse_widget *widget, uint8_t states, gorse_look *look) {
    uint8_t i;
    (void)g;
    gorse_copy_rom(look, widget->look, sizeof *look);
    for (i = 0; i < look->state_count; i++) {
        gorse_look_state other;
        gorse_copy_rom(&other, &look->states[i], sizeof other);
        if ((other.when & states) == other.when) {
            gorse_copy_rom(look, other.look, sizeof *look);
            return;
        }
    }
}

void gorse_get_widget(const gorse *g, const gorse_screen *screen, uint16_t widget, gorse_record *record,
                      gorse_look *look) {
    const gorse_head *head = gorse_head_of(g);
    const GORSE_ROM gorse_widget *from = screen->widgets[widget];
    uint8_t i;
    gorse_copy_rom(record, from, from->kind->record_bytes);
    get_look(g, &record->widget, head->pressed == widget && head->inside != 0u ? GORSE_STATE_PRESSED : 0u, look);
    for (i = 0; i < record->widget.slot_count; i++) {
        gorse_slot slot;
        uint16_t number = (uint16_t)(record->widget.first_slot + i);
        gorse_copy_rom(&slot, &screen->slots[number], sizeof slot);
        lay_over(g, &slot, gorse_slots(g)[screen->first_slot + number], record, look);
    }
}

void gorse_mark_changed(gorse *g, uint16_t variable) {
    uint8_t *bits = gorse_changed_bits(g);
    bits[variable >> 3] = (uint8_t)(bits[variable >> 3] | (1u << (variable & 7u)));
    gorse_head_of(g)->anything_changed = 1;
}

void gorse_set_slot(gorse *g, uint16_t number, uint16_t screen_number, int32_t value) {
    gorse_head *head = gorse_head_of(g);
    gorse_screen screen;
    gorse_slot slot;
    if (number >= g->scene->slot_count || gorse_slots(g)[number] == value)
        return;
    head->anything_changed = 1;
    if (screen_number != head->screen) {
        gorse_slots(g)[number] = value;
        return;
    }
    gorse_get_screen(g, screen_number, &screen);
    gorse_copy_rom(&slot, &screen.slots[number - screen.first_slot], sizeof slot);
    gorse_dirty_widget(g, &screen, slot.widget);
    gorse_slots(g)[number] = value;
    gorse_refresh_text(g, &screen, slot.widget);
    gorse_dirty_widget(g, &screen, slot.widget);
}

gorse_text_source gorse_text_by_value(const gorse *g, int32_t value) {
    gorse_text_source text;
    uint16_t number = (uint16_t)((uint32_t)value & 0x7fffu);
    text.plain = "";
    text.rom = 0;
    if (((uint32_t)value & GORSE_TEXT_OF_VARIABLE) != 0u) {
        text.plain = gorse_text_value(g, number);
    } else if (number < g->scene->string_count) {
        text.rom = g->scene->strings[number];
        text.plain = 0;
    }
    return text;
}
