/* SPDX-License-Identifier: MIT */
/* Begin, step, and the variables that the firmware shares. */
#include <string.h>

#include "gorse_internal.h"

/* Shows how the target aligns words: by 4, but by 1 on 8-bit targets. */
typedef struct word_after_byte {
    uint8_t byte;
    uint32_t word;
} word_after_byte;

static uint8_t buffer_is_enough(const gorse_panel *panel, uint32_t bytes) {
    gorse_format format;
    uint32_t row;
    gorse_copy_rom(&format, panel->format, sizeof format);
    row = ((uint32_t)panel->width * format.bits + 7u) >> 3;
    if (format.rows == 8u)
        row = panel->width;
    if ((panel->quarter_turns & 1u) != 0u)
        row = format.bits < 8u ? (format.rows == 8u ? 8u : format.columns) : (uint32_t)format.bits >> 3;
    return (uint8_t)(bytes >= row);
}

static void start_values(gorse *g) {
    uint16_t i, j;
    for (i = 0; i < g->scene->number_count; i++)
        gorse_numbers(g)[i] = g->scene->numbers[i].start;
    for (i = 0; i < g->scene->text_count; i++) {
        gorse_text_variable text;
        gorse_copy_rom(&text, &g->scene->texts[i], sizeof text);
        gorse_expand(g, text.start, gorse_texts(g) + text.offset, text.capacity);
    }
    for (i = 0; i < g->scene->screen_count; i++) {
        gorse_screen screen;
        gorse_get_screen(g, i, &screen);
        for (j = 0; j < screen.slot_count; j++)
            gorse_slots(g)[screen.first_slot + j] = screen.slots[j].initial;
    }
}

uint8_t gorse_begin(gorse *g, const GORSE_ROM gorse_scene *scene, const gorse_port *port, void *state,
                    uint32_t state_bytes, void *buffer, uint32_t buffer_bytes) {
    gorse_panel panel;
    gorse_head *head;
    if (port->flush == 0)
        return GORSE_NO_FLUSH;
    if (((uintptr_t)state | (uintptr_t)buffer) % offsetof(word_after_byte, word) != 0u)
        return GORSE_NOT_ALIGNED;
    if (state_bytes < gorse_state_bytes(scene))
        return GORSE_STATE_TOO_SMALL;
    gorse_copy_rom(&panel, scene->panel, sizeof panel);
    if (buffer_is_enough(&panel, buffer_bytes) == 0u)
        return GORSE_BUFFER_TOO_SMALL;
    g->scene = scene;
    g->port = *port;
    g->state = (uint8_t *)state;
    g->buffer = (uint8_t *)buffer;
    g->buffer_bytes = buffer_bytes;
    memset(state, 0, (size_t)gorse_state_bytes(scene));
    head = gorse_head_of(g);
    head->screen = scene->first_screen;
    head->wanted = GORSE_NONE;
    head->pressed = GORSE_NONE;
    start_values(g);
    return GORSE_FINE;
}

void gorse_step(gorse *g, uint32_t now_ms) {
    gorse_head *head = gorse_head_of(g);
    uint8_t first = (uint8_t)(head->started == 0u);
    if (first != 0u) {
        uint16_t i;
        head->started = 1;
        head->anything_changed = 1;
        for (i = 0; i < g->scene->timer_count; i++)
            gorse_timers(g)[i] = now_ms;
        memset(gorse_when_bytes(g), 2, g->scene->when_count);
        gorse_redraw(g);
    }
    head->now = now_ms;
    if (first != 0u) {
        gorse_expand_screen(g);
        gorse_enter_widgets(g);
        gorse_event(g, GORSE_ON_START, GORSE_NONE);
        gorse_event(g, GORSE_ON_ENTER, GORSE_NONE);
    }
    gorse_tick_widgets(g);
    gorse_run_rules(g);
    /* What follows a variable follows what the rules made of it. */
    gorse_tick_widgets(g);
    gorse_refresh_texts(g);
    gorse_paint(g);
}

void gorse_set_number(gorse *g, uint16_t variable, int32_t value) {
    gorse_number_variable range;
    if (variable >= g->scene->number_count)
        return;
    gorse_copy_rom(&range, &g->scene->numbers[variable], sizeof range);
    if (value < range.least || value > range.most) {
        value = value < range.least ? range.least : range.most;
        gorse_tell(g, GORSE_TRACE_HELD, variable, value);
    }
    if (gorse_numbers(g)[variable] == value)
        return;
    gorse_numbers(g)[variable] = value;
    gorse_mark_changed(g, variable);
    gorse_tell(g, GORSE_TRACE_NUMBER, variable, value);
}

int32_t gorse_number(const gorse *g, uint16_t variable) {
    return variable < g->scene->number_count ? gorse_numbers(g)[variable] : 0;
}

void gorse_set_text(gorse *g, uint16_t variable, const char *value) {
    gorse_text_variable text;
    char *held;
    uint16_t length = 0;
    if (variable >= g->scene->text_count)
        return;
    gorse_copy_rom(&text, &g->scene->texts[variable], sizeof text);
    held = gorse_texts(g) + text.offset;
    while (value[length] != 0 && length + 1u < text.capacity)
        length++;
    if (value[length] != 0)
        while (length != 0u && ((uint8_t)value[length] & 0xc0u) == 0x80u)
            length--;
    if (strncmp(held, value, length) == 0 && held[length] == 0)
        return;
    memmove(held, value, length);
    held[length] = 0;
    gorse_mark_changed(g, (uint16_t)(g->scene->number_count + variable));
    gorse_tell(g, GORSE_TRACE_TEXT, variable, length);
}

const char *gorse_text_value(const gorse *g, uint16_t variable) {
    return variable < g->scene->text_count ? gorse_texts(g) + g->scene->texts[variable].offset : "";
}

uint16_t gorse_screen_now(const gorse *g) { return gorse_head_of(g)->screen; }
