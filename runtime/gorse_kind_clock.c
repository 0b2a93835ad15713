/* SPDX-License-Identifier: MIT */
/* The hands of a clock. Its state is the time that they show. */
#include "gorse_blade.h"

enum { HOUR = 0, MINUTE = 1, SECOND = 2 };

#define HANDS 3u

static const gorse_widget_clock *clock_of(const gorse_widget *widget) {
    return (const gorse_widget_clock *)(const void *)widget;
}

static void time_now(const gorse *g, const gorse_widget_clock *clock, gorse_clock_time *out) {
    memset(out, 0, sizeof *out);
    if (clock->clock == GORSE_NONE) {
        out->minute = 10u * 60u + 9u;
        out->second = 36;
        return;
    }
    out->minute = (uint16_t)((uint16_t)gorse_number(g, (uint16_t)(clock->clock + GORSE_CLOCK_HOUR)) * 60u +
                             (uint16_t)gorse_number(g, (uint16_t)(clock->clock + GORSE_CLOCK_MINUTE)));
    if ((clock->hands & GORSE_CLOCK_SHOWS_SECOND) != 0u)
        out->second = (uint8_t)gorse_number(g, (uint16_t)(clock->clock + GORSE_CLOCK_SECOND));
}

static void get_time(const gorse *g, const gorse_widget *widget, gorse_clock_time *out) {
    memcpy(out, gorse_widget_state(g, widget), sizeof *out);
}

/* The largest circle in the box. */
static void measure(const gorse_widget *widget, const gorse_look *look, gorse_rect *box, gorse_ellipse *out) {
    gorse_rect inside;
    gorse_widget_box(widget, box);
    inside = *box;
    gorse_shrink(&inside, (gorse_coord)(look->border_width + look->padding));
    gorse_ellipse_in(&inside, out);
    if (out->radius.x > out->radius.y)
        out->radius.x = out->radius.y;
    if (out->radius.x < 0)
        out->radius.x = 0;
    out->radius.y = out->radius.x;
}

static void hand_at(const gorse_widget_clock *clock, const gorse_ellipse *face, const gorse_clock_time *at,
                    uint_fast8_t which, gorse_hand *out) {
    const int32_t radius = face->radius.x, half = (int32_t)clock->hand_width * (GORSE_FINE / 2);
    out->pivot = face->centre;
    out->tail = radius / 8;
    if (which == HOUR) {
        out->length = radius / 16 * 9;
        out->half = half;
        out->angle = (uint16_t)((uint32_t)at->minute * (GORSE_DEGREE / 2u) % GORSE_TURN);
    } else if (which == MINUTE) {
        out->length = radius / 16 * 13;
        out->half = half / 4 * 3;
        out->angle = (uint16_t)(at->minute % 60u * (6u * GORSE_DEGREE));
    } else {
        out->length = radius / 8 * 7;
        out->half = half / 2 < GORSE_FINE ? half / 2 : GORSE_FINE;
        out->angle = (uint16_t)(at->second * (6u * GORSE_DEGREE));
    }
}

static uint_fast8_t shows(const gorse_widget_clock *clock, uint_fast8_t which) {
    return (uint_fast8_t)((uint8_t)(clock->hands >> which) & 1u);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    gorse_clock_time now;
    (void)look;
    if (what != GORSE_COMMAND_ENTER)
        return;
    time_now(g, clock_of(widget), &now);
    memcpy(gorse_widget_state(g, widget), &now, sizeof now);
}

static void mark(gorse *g, const gorse_widget *widget, const gorse_look *look, const gorse_clock_time *at,
                 uint_fast8_t which) {
    gorse_ellipse face;
    gorse_rect box;
    gorse_hand hand;
    measure(widget, look, &box, &face);
    hand_at(clock_of(widget), &face, at, which, &hand);
    gorse_mark_hand(g, &hand, &box);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_clock *clock = clock_of(widget);
    gorse_clock_time was, now;
    uint_fast8_t i;
    time_now(g, clock, &now);
    get_time(g, widget, &was);
    for (i = 0; i < HANDS && widget->visible != 0u; i++) {
        const uint8_t moved = (uint8_t)(i == SECOND ? was.second != now.second : was.minute != now.minute);
        if (moved == 0u || shows(clock, i) == 0u)
            continue;
        mark(g, widget, look, &was, i);
        mark(g, widget, look, &now, i);
    }
    memcpy(gorse_widget_state(g, widget), &now, sizeof now);
    return 0;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    (void)g;
    (void)widget;
    return GORSE_FOREVER;
}

/* Of 60 only each fifth is long. */
static GORSE_OWN_FRAME void draw_ticks(const gorse_canvas *c, const gorse_widget_clock *clock,
                                       const gorse_ellipse *face, gorse_colour colour) {
    const int32_t long_one = face->radius.x / 8;
    uint_fast8_t i, k;
    for (i = 0; i < clock->ticks; i++) {
        const uint8_t is_long = (uint8_t)(clock->ticks != 60u || i % 5u == 0u);
        const uint16_t angle = (uint16_t)((uint32_t)GORSE_TURN * i / clock->ticks);
        gorse_blade blade;
        for (k = 0; k < 2u; k++) {
            gorse_fine end;
            gorse_polar(&face->centre,
                        face->radius.x - (k == 0u         ? 0
                                          : is_long != 0u ? long_one
                                                          : long_one / 2),
                        angle, &end);
            gorse_polar(&end, is_long != 0u ? GORSE_FINE : GORSE_FINE / 2, gorse_quarters_on(angle, 3),
                        &blade.corners[k == 0u ? 0 : 3]);
            gorse_polar(&end, is_long != 0u ? GORSE_FINE : GORSE_FINE / 2, gorse_quarters_on(angle, 1),
                        &blade.corners[k == 0u ? 1 : 2]);
        }
        gorse_draw_blade(c, &blade, colour);
    }
}

static GORSE_OWN_FRAME void draw_hands(const gorse_canvas *c, const gorse_widget_clock *clock,
                                       const gorse_ellipse *face, gorse_colour colour) {
    gorse_clock_time at;
    gorse_hand hand;
    uint_fast8_t i;
    get_time(c->run, &clock->widget, &at);
    for (i = 0; i < HANDS; i++) {
        hand_at(clock, face, &at, i, &hand);
        if (shows(clock, i) != 0u)
            gorse_draw_hand(c, &hand, i == SECOND ? clock->second_colour : colour);
    }
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_clock *clock = clock_of(widget);
    const int32_t hub = (int32_t)clock->hand_width * (GORSE_FINE / 2) + GORSE_FINE / 2;
    gorse_ellipse face;
    gorse_rect box;
    measure(widget, look, &box, &face);
    gorse_draw_image_box(c, widget, look, clock->image, GORSE_ALIGN_MIDDLE, GORSE_ALIGN_MIDDLE);
    draw_ticks(c, clock, &face, look->text);
    draw_hands(c, clock, &face, look->text);
    gorse_draw_hub(c, &face.centre, hub < face.radius.x ? hub : face.radius.x, &box,
                   shows(clock, SECOND) != 0u ? clock->second_colour : look->text);
}

const GORSE_ROM gorse_kind gorse_kind_clock = {sizeof(gorse_widget_clock), 0, draw, command, tick, wait};
