/* SPDX-License-Identifier: MIT */
/* What becomes of a press with time: it is a hold, it repeats, or its control is gone. */
#include "gorse_control.h"

/* The screen that the finger pressed something on is no longer shown. Before the first step it may press something on
 * the first screen already. */
static void enter(gorse *g) {
    gorse_finger *finger = gorse_finger_of(g);
    if (gorse_head_of(g)->pressed != GORSE_NONE)
        return;
    if (gorse_head_of(g)->started != 0u) {
        gorse_lose_finger(g);
        return;
    }
    finger->memory = GORSE_NONE;
    finger->falls_back = GORSE_NONE;
}

/* ms until a time; 0 if it is past. */
static uint32_t until(const gorse *g, uint32_t time) {
    const uint32_t wait = time - gorse_head_of(g)->now;
    return wait > 0x7fffffffu ? 0u : wait;
}

static uint32_t until_hold(const gorse *g) {
    const gorse_finger *finger = gorse_finger_of(g);
    if ((finger->flags & GORSE_FINGER_WAITS) == 0u)
        return GORSE_FOREVER;
    return until(g, finger->since + g->scene->controls->hold);
}

static uint32_t until_repeat(const gorse *g) {
    const gorse_finger *finger = gorse_finger_of(g);
    return (finger->flags & GORSE_FINGER_REPEATS) != 0u ? until(g, finger->due) : GORSE_FOREVER;
}

static void clear(gorse *g, uint8_t flag) {
    gorse_finger *finger = gorse_finger_of(g);
    finger->flags = (uint8_t)(finger->flags & ~(unsigned)flag);
}

static void set_fired(gorse *g) {
    gorse_finger *finger = gorse_finger_of(g);
    finger->flags = (uint8_t)(finger->flags | (unsigned)GORSE_FINGER_FIRED);
}

static void hold(gorse *g) {
    const uint16_t pressed = gorse_head_of(g)->pressed;
    clear(g, GORSE_FINGER_WAITS);
    if (gorse_has_rule(g, GORSE_EVENT_HOLD, pressed) == 0u)
        return;
    set_fired(g);
    gorse_event(g, GORSE_EVENT_HOLD, pressed);
}

static uint32_t tick(gorse *g) {
    const gorse_head *head = gorse_head_of(g);
    if (head->pressed == GORSE_NONE)
        return GORSE_FOREVER;
    if (gorse_takes_touch(g) == 0u) {
        gorse_lose_finger(g);
        return GORSE_FOREVER;
    }
    if (head->inside == 0u)
        return GORSE_FOREVER;
    if (until_hold(g) == 0u)
        hold(g);
    if (until_repeat(g) == 0u) {
        clear(g, GORSE_FINGER_REPEATS);
        set_fired(g);
        gorse_touch_control(g, GORSE_TOUCH_REPEAT, GORSE_EVENT_REPEAT);
    }
    return GORSE_FOREVER;
}

static uint32_t follow(gorse *g) {
    const gorse_head *head = gorse_head_of(g);
    uint32_t to_hold, to_repeat;
    if (head->pressed == GORSE_NONE || head->inside == 0u)
        return GORSE_FOREVER;
    if (gorse_takes_touch(g) == 0u) {
        gorse_lose_finger(g);
        return GORSE_FOREVER;
    }
    to_hold = until_hold(g);
    to_repeat = until_repeat(g);
    return to_hold < to_repeat ? to_hold : to_repeat;
}

const GORSE_ROM gorse_motion gorse_motion_of_controls = {enter, tick, follow, 0};
