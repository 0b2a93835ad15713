/* SPDX-License-Identifier: MIT */
/* Containers that a finger has moved go on by themselves, and stop softly at their ends. */
#include "gorse_control.h"
#include "gorse_list.h"
#include "gorse_scroll.h"

enum {
    TICK = 8,         /* ms between two places of the way of one that coasts */
    MOST_TICKS = 250, /* that one step makes up for */
    FRICTION = 40,    /* ticks in which it would lose its speed */
    FRAME = 16,       /* ms until it is to be drawn again */
    BARS_STAY = 500,  /* ms */
    FAST = 30000      /* the highest speed */
};

/* One tick of the way of one that coasts. Returns 1 while it moves. */
static uint8_t coast(int32_t *at, int16_t *speed, int32_t most) {
    const int32_t last = most * 256, end = *at < 0 ? 0 : last;
    const uint8_t beyond = (uint8_t)(*at < 0 || *at > last);
    *at += *speed;
    if (beyond == 0u) {
        const int16_t lost = (int16_t)(*speed / FRICTION);
        *speed = (int16_t)(lost != 0 ? *speed - lost : 0);
        return (uint8_t)(*speed != 0);
    }
    /* There it slows down, and is drawn back. */
    *speed = (int16_t)(*speed / 2);
    *at += (end - *at) / 6;
    if (end - *at > 256 || *at - end > 256)
        return 1;
    *at = end;
    *speed = 0;
    return 0;
}

/* A pager or a drawer goes on by itself. */
static uint8_t goes_itself(const gorse *g) {
    gorse_widget_group group;
    if ((gorse_shown(g)->widgets[gorse_scroller_of(g)->widget]->kind->flags & GORSE_KIND_HOLDS) == 0u)
        return 0;
    gorse_read_record(g, gorse_scroller_of(g)->widget, &group, sizeof group);
    return (uint8_t)((group.scroll & (GORSE_SCROLL_PAGES | GORSE_SCROLL_DRAWER)) != 0u);
}

/* Draws a list that snaps, and stands still, to where an item begins. Returns 1 while it moves. */
static uint8_t snap(gorse *g, int32_t most) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    const int32_t item = (int32_t)gorse_snap_of(g, scroller->widget) * 256;
    int32_t rest, way;
    if (item == 0 || scroller->at[1] >= most * 256)
        return 0;
    rest = scroller->at[1] % item;
    if (rest == 0)
        return 0;
    way = rest < item - rest ? -rest : item - rest;
    scroller->at[1] += way > 256 || way < -256 ? way / 3 : way;
    return 1;
}

static void go_on(gorse *g) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    const uint32_t now = gorse_head_of(g)->now;
    uint32_t ticks = (now - scroller->since) / TICK;
    uint8_t moves = 1;
    int32_t most[2];
    (void)gorse_scroll_range(g, scroller->widget, most);
    scroller->since += ticks * TICK;
    if (ticks > MOST_TICKS)
        ticks = MOST_TICKS;
    for (; ticks != 0u && moves != 0u; ticks--) {
        moves = coast(&scroller->at[0], &scroller->speed[0], most[0]);
        moves = (uint8_t)(moves | coast(&scroller->at[1], &scroller->speed[1], most[1]));
    }
    if (moves == 0u)
        moves = snap(g, most[1]);
    gorse_show_scroll(g);
    if (moves == 0u) {
        scroller->doing = GORSE_SCROLLER_SHOWS;
        scroller->since = now;
    }
}

/* How fast the finger has moved it since the last step. */
static void measure(gorse *g) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    const gorse_finger *finger = gorse_finger_of(g);
    const int16_t now[2] = {finger->x, finger->y};
    const int32_t passed = (int32_t)(gorse_head_of(g)->now - scroller->since);
    uint8_t axis;
    if (passed < TICK)
        return;
    for (axis = 0; axis < 2u; axis++) {
        int32_t speed = ((int32_t)scroller->finger[axis] - now[axis]) * 256 * TICK / passed;
        speed = (speed + scroller->speed[axis]) / 2;
        speed = speed > FAST ? FAST : speed < -FAST ? -FAST : speed;
        scroller->speed[axis] = (int16_t)((scroller->ways & (1u << axis)) != 0u ? speed : 0);
        scroller->from[axis] = scroller->from[axis] + scroller->finger[axis] - now[axis];
        scroller->finger[axis] = now[axis];
    }
    scroller->since = gorse_head_of(g)->now;
}

/* What its bars say changes with what it holds. */
static void renew_bars(gorse *g) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    int32_t most[2];
    (void)gorse_scroll_range(g, scroller->widget, most);
    if ((int16_t)most[0] == scroller->most[0] && (int16_t)most[1] == scroller->most[1])
        return;
    scroller->most[0] = (int16_t)most[0];
    scroller->most[1] = (int16_t)most[1];
    gorse_dirty_number(g, scroller->widget);
}

static uint32_t tick(gorse *g) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    uint32_t stood;
    if (scroller->doing != GORSE_SCROLLER_RESTS)
        renew_bars(g);
    switch (scroller->doing) {
    case GORSE_SCROLLER_RESTS: return GORSE_FOREVER;
    case GORSE_SCROLLER_HELD: measure(g); return FRAME;
    case GORSE_SCROLLER_COASTS:
        if (goes_itself(g) == 0u)
            go_on(g);
        return FRAME;
    default: break;
    }
    stood = gorse_head_of(g)->now - scroller->since;
    if (stood < BARS_STAY)
        return BARS_STAY - stood;
    scroller->doing = GORSE_SCROLLER_RESTS;
    gorse_dirty_number(g, scroller->widget);
    return GORSE_FOREVER;
}

static void enter(gorse *g) { gorse_scroller_of(g)->doing = GORSE_SCROLLER_RESTS; }

const GORSE_ROM gorse_motion gorse_motion_of_scrolling = {enter, tick, tick, 0};
