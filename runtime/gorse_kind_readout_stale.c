/* SPDX-License-Identifier: MIT */
/* A readout that looks wrong while its variable has no news from the firmware. */
#include <stddef.h>

#include "gorse_readout.h"

static const GORSE_ROM gorse_widget_readout *readout_of(const GORSE_ROM gorse_widget *widget) {
    return (const GORSE_ROM gorse_widget_readout *)(const GORSE_ROM void *)widget;
}

static const GORSE_ROM gorse_keeper *hearers_of(const gorse *g) {
    return g->scene->keepers + g->scene->recorder_count + g->scene->map_count;
}

/* When its variable had news. */
static uint32_t heard_at(const gorse *g, const gorse_widget_readout *r) {
    const GORSE_ROM gorse_keeper *each = hearers_of(g);
    uint16_t i;
    /* Nothing else has its limits. */
    for (i = g->scene->hearer_count; i != 0u; i--, each++)
        if (readout_of(each->of)->shown.limits == r->shown.limits)
            return *(const uint32_t *)gorse_kept_by(g, each);
    return 0;
}

void gorse_hear(gorse *g, uint16_t variable) {
    const GORSE_ROM gorse_keeper *each;
    uint16_t i;
    if (g->scene == 0 || g->scene->hearer_count == 0u)
        return;
    each = hearers_of(g);
    for (i = g->scene->hearer_count; i != 0u; i--, each++)
        if (readout_of(each->of)->shown.variable == variable)
            *(uint32_t *)gorse_kept_by(g, each) = gorse_head_of(g)->now;
}

/* A byte of a gorse_stale_state: the screen's memory has no alignment. */
static char *stale_of(const gorse *g, const gorse_widget *widget) {
    return gorse_widget_state(g, widget) + offsetof(gorse_stale_state, is_stale);
}

/* ms until it is stale; 0 if it is. */
static uint32_t fresh_for(const gorse *g, const gorse_widget *widget) {
    const gorse_widget_readout *r = (const gorse_widget_readout *)(const void *)widget;
    const uint32_t after = (uint32_t)r->shown.limits[GORSE_READOUT_STALE_AFTER];
    const uint32_t passed = gorse_head_of(g)->now - heard_at(g, r);
    return passed < after ? after - passed : 0u;
}

static char is_stale(const gorse *g, const gorse_widget *widget) { return (char)(fresh_for(g, widget) == 0u); }

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    gorse_readout_command(g, widget, look, what);
    if (what == GORSE_COMMAND_ENTER)
        *stale_of(g, widget) = is_stale(g, widget);
}

/* Its digits are where the look of what is wrong has them. */
static GORSE_OWN_FRAME uint8_t tick_stale(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    gorse_look wrong;
    gorse_look_when_wrong(look, &wrong);
    return gorse_readout_tick(g, widget, &wrong);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const char stale = is_stale(g, widget);
    if (*stale_of(g, widget) != stale) {
        *stale_of(g, widget) = stale;
        gorse_dirty_widget(g, widget);
    }
    return stale != 0 ? tick_stale(g, widget, look) : gorse_readout_tick(g, widget, look);
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    const uint32_t fresh = fresh_for(g, widget);
    return fresh != 0u ? fresh : GORSE_FOREVER;
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_look wrong;
    if (*stale_of(c->run, widget) != 0) {
        gorse_look_when_wrong(look, &wrong);
        look = &wrong;
    }
    gorse_draw_readout(c, widget, look);
}

const GORSE_ROM gorse_kind gorse_kind_readout_stale = {sizeof(gorse_widget_readout), 0, draw, command, tick, wait};
