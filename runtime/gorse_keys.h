/* SPDX-License-Identifier: MIT */
/* What the two files with gorse_knob and gorse_key share. */
#ifndef GORSE_KEYS_H
#define GORSE_KEYS_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Runs the rules of GORSE_EVENT_KEY or GORSE_EVENT_KNOB, on any screen. A rule whose widget is GORSE_NONE is about all
 * of them. */
static inline void gorse_run_key_rules(gorse *g, uint8_t event, uint16_t what) {
    const GORSE_ROM gorse_rule *rule = g->scene->rules;
    uint16_t i;
    gorse_trace(g, GORSE_TRACE_EVENT, event, what);
    for (i = 0; i < g->scene->rule_count; i++, rule++)
        if (rule->event == event && (rule->widget == what || rule->widget == GORSE_NONE) && rule->body != GORSE_NONE &&
            (rule->condition == GORSE_NONE || gorse_execute(g, g->scene->code + rule->condition, i) != 0)) {
            gorse_trace(g, GORSE_TRACE_RULE, i, 0);
            (void)gorse_execute(g, g->scene->code + rule->body, i);
        }
}

#ifdef __cplusplus
}
#endif
#endif
