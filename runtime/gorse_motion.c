/* SPDX-License-Identifier: MIT */
/* What widgets do by themselves: when their screen is entered, at each step, and when a rule tells them. */
#include "gorse_internal.h"

/* Tells a widget something, if its kind takes it. */
static void tell(gorse *g, const gorse_screen *screen, uint16_t widget, uint8_t what) {
    const GORSE_ROM gorse_kind *kind = screen->widgets[widget]->kind;
    gorse_record record;
    gorse_look look;
    if (kind->command == 0)
        return;
    gorse_get_widget(g, screen, widget, &record, &look);
    kind->command(g, &record.widget, what);
}

static uint8_t moves_on(gorse *g, const gorse_screen *screen, uint16_t widget) {
    const GORSE_ROM gorse_kind *kind = screen->widgets[widget]->kind;
    gorse_record record;
    gorse_look look;
    if (kind->tick == 0)
        return 0;
    gorse_get_widget(g, screen, widget, &record, &look);
    return kind->tick(g, &record.widget);
}

static void enter(gorse *g) {
    gorse_screen screen;
    uint16_t i;
    gorse_get_screen(g, gorse_head_of(g)->screen, &screen);
    for (i = 0; i < screen.widget_count; i++)
        tell(g, &screen, i, GORSE_ENTER);
}

static void tick(gorse *g) {
    gorse_screen screen;
    uint16_t i;
    gorse_get_screen(g, gorse_head_of(g)->screen, &screen);
    for (i = 0; i < screen.widget_count; i++)
        if (moves_on(g, &screen, i) != 0u)
            gorse_event(g, GORSE_ON_DONE, i);
}

/* Nothing if the widget's screen is not shown. */
static void command(gorse *g, uint16_t screen_number, uint16_t widget, uint8_t what) {
    gorse_screen screen;
    if (screen_number != gorse_head_of(g)->screen)
        return;
    gorse_get_screen(g, screen_number, &screen);
    if (widget < screen.widget_count)
        tell(g, &screen, widget, what);
}

const GORSE_ROM gorse_motion gorse_motion_of_widgets = {enter, tick, command};
