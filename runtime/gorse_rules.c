/* SPDX-License-Identifier: MIT */
/* When rules run: on events, by timers, and when a condition turns. A changed variable only marks; conditions are
 * looked at in rounds, at most GORSE_ROUNDS a step. */
#include <string.h>

#include "gorse_internal.h"

gorse_result gorse_go(gorse *g, uint16_t screen) {
    if (g->scene == 0)
        return GORSE_RESULT_NOT_BEGUN;
    if (screen >= g->scene->screen_count)
        return GORSE_RESULT_UNKNOWN;
    gorse_head_of(g)->wanted = screen;
    return GORSE_RESULT_OK;
}

static void remember(gorse_head *head) {
    uint8_t count = head->back_count;
    if (count == GORSE_HISTORY) {
        count--;
        memmove(head->history, head->history + 1, count * sizeof head->history[0]);
    }
    head->history[count] = head->screen;
    head->back_count = (uint8_t)(count + 1u);
}

static void enter_wanted(gorse *g) {
    gorse_head *head = gorse_head_of(g);
    uint8_t guard = GORSE_ROUNDS;
    while (head->wanted != GORSE_NONE && guard-- != 0u) {
        uint16_t screen = head->wanted;
        head->wanted = GORSE_NONE;
        if (screen == GORSE_BACK) {
            if (head->back_count == 0u)
                continue;
            screen = head->history[--head->back_count];
        } else if (screen != head->screen) {
            remember(head);
        }
        if (screen == head->screen)
            continue;
        gorse_event(g, GORSE_EVENT_LEAVE, GORSE_NONE);
        head->screen = screen;
        head->pressed = GORSE_NONE;
        head->inside = 0;
        gorse_show_screen(g);
        gorse_trace(g, GORSE_TRACE_SCREEN, screen, 0);
        gorse_event(g, GORSE_EVENT_ENTER, GORSE_NONE);
    }
}

static uint8_t holds(gorse *g, const GORSE_ROM gorse_rule *rule, uint16_t number) {
    uint16_t condition = rule->condition;
    return (uint8_t)(condition == GORSE_NONE || gorse_execute(g, g->scene->code + condition, number) != 0);
}

static void run_body(gorse *g, uint16_t code, uint16_t number, uint8_t otherwise) {
    if (code == GORSE_NONE)
        return;
    gorse_trace(g, GORSE_TRACE_RULE, number, otherwise);
    (void)gorse_execute(g, g->scene->code + code, number);
}

static void run_if(gorse *g, const GORSE_ROM gorse_rule *rule, uint16_t number) {
    if (holds(g, rule, number) != 0u)
        run_body(g, rule->body, number, 0);
}

void gorse_event(gorse *g, uint8_t event, uint16_t widget) {
    const GORSE_ROM gorse_rule *rule = g->scene->rules;
    uint16_t screen = gorse_head_of(g)->screen;
    uint16_t i;
    gorse_trace(g, GORSE_TRACE_EVENT, event, widget);
    for (i = 0; i < g->scene->rule_count; i++, rule++)
        if (rule->event == event && (event == GORSE_EVENT_START || (rule->screen == screen && rule->widget == widget)))
            run_if(g, rule, i);
}

/* Runs a timer that is due; 1 if it did, else *wait is at most the time until it is. Of more than one missed run, as
 * the rule says, the rest follows in the next rounds and steps. */
static uint8_t run_timer(gorse *g, const GORSE_ROM gorse_rule *rule, uint16_t number, uint32_t *wait) {
    uint32_t *since = &gorse_timers(g)[rule->memory];
    uint32_t period = rule->period;
    uint32_t passed = gorse_head_of(g)->now - *since;
    uint32_t due = passed / period;
    uint32_t kept = rule->missed == GORSE_MISSED_ALL ? GORSE_CATCH_UP : 1u;
    if (due == 0u) {
        if (period - passed < *wait)
            *wait = period - passed;
        return 0;
    }
    *since += (due > kept ? due - kept + 1u : 1u) * period;
    if (due > kept && rule->missed == GORSE_MISSED_NONE)
        return 1;
    run_if(g, rule, number);
    return 1;
}

static uint8_t run_condition(gorse *g, const GORSE_ROM gorse_rule *rule, uint16_t number) {
    uint8_t *before = &gorse_when_bytes(g)[rule->memory];
    uint8_t now = holds(g, rule, number);
    if (*before == now)
        return 0;
    *before = now;
    run_body(g, now != 0u ? rule->body : rule->otherwise, number, (uint8_t)(now == 0u));
    return 1;
}

/* One look at all timers and conditions; 1 if any ran. */
static uint8_t run_round(gorse *g, uint8_t changed, uint32_t *wait) {
    const GORSE_ROM gorse_rule *rule = g->scene->rules;
    uint8_t ran = 0;
    uint16_t i;
    for (i = 0; i < g->scene->rule_count; i++, rule++) {
        if ((rule->event == GORSE_EVENT_EVERY && run_timer(g, rule, i, wait) != 0u) ||
            (rule->event == GORSE_EVENT_WHEN && changed != 0u && run_condition(g, rule, i) != 0u)) {
            enter_wanted(g);
            ran = 1;
        }
    }
    return ran;
}

uint32_t gorse_run_rules(gorse *g) {
    uint32_t wait;
    gorse_head *head = gorse_head_of(g);
    uint8_t round = GORSE_ROUNDS;
    uint8_t changed, ran;
    do {
        changed = head->anything_changed;
        head->anything_changed = 0;
        enter_wanted(g);
        wait = GORSE_FOREVER;
        ran = run_round(g, changed, &wait);
    } while (--round != 0u && (ran | head->anything_changed) != 0u);
    if (head->anything_changed != 0u)
        gorse_trace(g, GORSE_TRACE_ROUNDS, 0, 0);
    return ran != 0u ? 0u : wait;
}
