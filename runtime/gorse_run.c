/* SPDX-License-Identifier: MIT */
/* Begin, step, and the variables that the firmware shares. */
#include <string.h>

#include "gorse_internal.h"

/* ms: a firmware's clock may be read in another context and come a moment late. */
enum { GORSE_SMALL_STEP_BACK = 1000 };

/* Shows how the target aligns words: by 4, but by 1 on 8-bit targets. */
typedef struct word_after_byte {
    uint8_t byte;
    uint32_t word;
} word_after_byte;

static void start_values(gorse *g) {
    const GORSE_ROM gorse_scene *scene = g->scene;
    uint_fast16_t i, j;
    for (i = 0; i < scene->number_count; i++)
        gorse_numbers(g)[i] = scene->numbers[i].start;
    for (i = 0; i < scene->text_count; i++) {
        const GORSE_ROM gorse_text_variable *text = &scene->texts[i];
        gorse_expand(g, text->start, gorse_texts(g) + text->offset, text->capacity);
    }
    for (i = 0; i < scene->screen_count; i++) {
        const GORSE_ROM gorse_screen *screen = &scene->screens[i];
        int32_t *slots = gorse_slots(g) + screen->first_slot;
        for (j = 0; j < screen->slot_count; j++)
            slots[j] = screen->slots[j].initial;
    }
}

gorse_result gorse_begin(gorse *g, const GORSE_ROM gorse_scene *scene, const gorse_port *port, void *state,
                         uint32_t state_bytes, void *buffer, uint32_t buffer_bytes) {
    gorse_head *head = (gorse_head *)state;
    uint32_t needed;
    if (g == 0)
        return GORSE_RESULT_NULL;
    g->scene = 0;
    if (scene == 0 || port == 0 || state == 0 || buffer == 0 || port->flush == 0)
        return GORSE_RESULT_NULL;
    if (((uintptr_t)state | (uintptr_t)buffer) % offsetof(word_after_byte, word) != 0u)
        return GORSE_RESULT_NOT_ALIGNED;
    needed = gorse_state_bytes(scene);
    if (state_bytes < needed)
        return GORSE_RESULT_STATE_TOO_SMALL;
    if (buffer_bytes < scene->panel->min_buffer_bytes)
        return GORSE_RESULT_BUFFER_TOO_SMALL;
    g->scene = scene;
    g->port = *port;
    g->state = (uint8_t *)state;
    g->buffer = (uint8_t *)buffer;
    g->buffer_bytes = buffer_bytes;
    memset(state, 0, (size_t)needed);
    head->screen = scene->first_screen;
    head->wanted = GORSE_NONE;
    head->pressed = GORSE_NONE;
    start_values(g);
    return GORSE_RESULT_OK;
}

static void first_step(gorse *g) {
    uint_fast16_t i;
    for (i = 0; i < g->scene->timer_count; i++)
        gorse_timers(g)[i] = gorse_head_of(g)->now;
    memset(gorse_when_bytes(g), 2, g->scene->when_count);
    gorse_show_screen(g);
    gorse_event(g, GORSE_EVENT_START, GORSE_NONE);
    gorse_event(g, GORSE_EVENT_ENTER, GORSE_NONE);
    gorse_head_of(g)->started = 1;
    gorse_head_of(g)->anything_changed = 1;
}

/* Takes over the firmware's time. One that lies a little before the latest is no time; an earlier one is where time
 * goes on from. */
static void pass_time(gorse_head *head, uint32_t now_ms) {
    uint32_t passed = now_ms - head->clock;
    if (passed > 0x7fffffffu) {
        if (passed >= 0u - (uint32_t)GORSE_SMALL_STEP_BACK)
            return;
        passed = 0;
    }
    head->clock = now_ms;
    head->now += passed;
}

uint32_t gorse_step(gorse *g, uint32_t now_ms) {
    uint32_t wait, own;
    if (g->scene == 0)
        return GORSE_FOREVER;
    if (gorse_head_of(g)->started == 0u) {
        gorse_head_of(g)->clock = now_ms;
        first_step(g);
    }
    pass_time(gorse_head_of(g), now_ms);
    gorse_tick_widgets(g);
    wait = gorse_run_rules(g);
    /* What follows a variable follows what the rules made of it. */
    own = gorse_follow_rules(g);
    gorse_refresh_texts(g);
    gorse_paint(g);
    /* A widget or a hook may have given the rules something. */
    if (gorse_is_waiting(gorse_head_of(g)) != 0u)
        return 0;
    return own < wait ? own : wait;
}

gorse_result gorse_set_number(gorse *g, uint16_t variable, int32_t value) {
    const GORSE_ROM gorse_number_variable *range;
    int32_t *number;
    int32_t clamped = value;
    if (g->scene == 0)
        return GORSE_RESULT_NOT_BEGUN;
    if (variable >= g->scene->number_count)
        return GORSE_RESULT_UNKNOWN;
    range = &g->scene->numbers[variable];
    number = gorse_numbers(g) + variable;
    if (clamped < range->min)
        clamped = range->min;
    if (clamped > range->max)
        clamped = range->max;
    if (clamped != value)
        gorse_trace(g, GORSE_TRACE_CLAMPED, variable, clamped);
    if (*number != clamped) {
        *number = clamped;
        gorse_mark_changed(g, variable);
        gorse_trace(g, GORSE_TRACE_NUMBER, variable, clamped);
    } else if (clamped == value) {
        return GORSE_RESULT_UNCHANGED;
    }
    return clamped == value ? GORSE_RESULT_OK : GORSE_RESULT_CLAMPED;
}

int32_t gorse_number(const gorse *g, uint16_t variable) {
    return g->scene != 0 && variable < g->scene->number_count ? gorse_numbers(g)[variable] : 0;
}

gorse_result gorse_set_text(gorse *g, uint16_t variable, const char *value) {
    const GORSE_ROM gorse_text_variable *text;
    char *now;
    uint8_t length = 0, at, changed, cut;
    if (g->scene == 0)
        return GORSE_RESULT_NOT_BEGUN;
    if (variable >= g->scene->text_count)
        return GORSE_RESULT_UNKNOWN;
    if (value == 0)
        return GORSE_RESULT_NULL;
    text = &g->scene->texts[variable];
    now = gorse_texts(g) + text->offset;
    while (value[length] != 0 && length + 1u < text->capacity)
        length++;
    cut = (uint8_t)(value[length] != 0);
    while (length != 0u && ((uint8_t)value[length] & 0xc0u) == 0x80u)
        length--;
    changed = (uint8_t)(now[length] != 0);
    for (at = 0; at < length; at++) {
        changed = (uint8_t)(changed | (now[at] != value[at]));
        now[at] = value[at];
    }
    now[length] = 0;
    if (changed != 0u) {
        gorse_mark_changed(g, (uint16_t)(g->scene->number_count + variable));
        gorse_trace(g, GORSE_TRACE_TEXT, variable, length);
    } else if (cut == 0u) {
        return GORSE_RESULT_UNCHANGED;
    }
    return cut == 0u ? GORSE_RESULT_OK : GORSE_RESULT_CLAMPED;
}

const char *gorse_text_value(const gorse *g, uint16_t variable) {
    return g->scene != 0 && variable < g->scene->text_count ? gorse_texts(g) + g->scene->texts[variable].offset : "";
}

uint16_t gorse_screen_now(const gorse *g) { return g->scene != 0 ? gorse_head_of(g)->screen : 0u; }
