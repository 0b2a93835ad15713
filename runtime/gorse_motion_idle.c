/* SPDX-License-Identifier: MIT */
/* Rules of the time in which nobody touches, turns or presses anything. */
#include "gorse_control.h"

/* Runs what a rule does now that there was no input for its time, or again is some. 0 if it waits for its condition. */
static uint8_t run(gorse *g, const GORSE_ROM gorse_rule *rule, uint16_t number, uint8_t idle) {
    const uint16_t code = idle != 0u ? rule->body : rule->otherwise;
    if (idle != 0u && rule->condition != GORSE_NONE && gorse_execute(g, g->scene->code + rule->condition, number) == 0)
        return 0;
    if (code == GORSE_NONE)
        return 1;
    gorse_trace(g, GORSE_TRACE_RULE, number, idle == 0u);
    (void)gorse_execute(g, g->scene->code + code, number);
    return 1;
}

static uint32_t tick(gorse *g) {
    const GORSE_ROM gorse_rule *rule = g->scene->rules;
    const uint32_t now = gorse_head_of(g)->now;
    uint32_t passed, wait = GORSE_FOREVER;
    uint16_t i;
    if (gorse_head_of(g)->down != 0u)
        gorse_finger_of(g)->heard = now;
    passed = now - gorse_finger_of(g)->heard;
    for (i = 0; i < g->scene->rule_count; i++, rule++) {
        uint8_t *was, idle;
        if (rule->event != GORSE_EVENT_IDLE)
            continue;
        was = &gorse_when_bytes(g)[rule->memory];
        idle = (uint8_t)(passed >= rule->period);
        if (idle == 0u && rule->period - passed < wait)
            wait = rule->period - passed;
        if (idle != (uint8_t)(*was == 1u) && run(g, rule, i, idle) != 0u)
            *was = idle;
    }
    return wait;
}

const GORSE_ROM gorse_motion gorse_motion_of_idleness = {0, tick, tick, 0};
