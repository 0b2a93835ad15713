/* SPDX-License-Identifier: MIT */
/* What widgets do by themselves: when their screen is entered, at each step, and when a rule tells them. */
#include "gorse_internal.h"

/* The kind of a widget, copied, if it is one that does something by itself. */
static uint8_t get_kind(const gorse_screen *screen, uint16_t widget, gorse_kind *kind) {
    const GORSE_ROM gorse_widget *from = screen->widgets[widget];
    if (from->kind->tick == 0 && from->kind->command == 0)
        return 0;
    gorse_copy_rom(kind, from->kind, sizeof *kind);
    return 1;
}

static void enter(gorse *g) {
    gorse_screen screen;
    uint16_t i;
    gorse_get_screen(g, gorse_head_of(g)->screen, &screen);
    for (i = 0; i < screen.widget_count; i++) {
        gorse_kind kind;
        gorse_record record;
        gorse_look look;
        if (get_kind(&screen, i, &kind) == 0u || kind.command == 0)
            continue;
        gorse_get_widget(g, &screen, i, &record, &look);
        kind.command(g, &record.widget, GORSE_ENTER);
    }
}

static void tick(gorse *g) {
    gorse_screen screen;
    uint16_t i;
    uint16_t shown = gorse_head_of(g)->screen;
    gorse_get_screen(g, shown, &screen);
    for (i = 0; i < screen.widget_count && gorse_head_of(g)->screen == shown; i++) {
        gorse_kind kind;
        gorse_record record;
        gorse_look look;
        if (get_kind(&screen, i, &kind) == 0u || kind.tick == 0)
            continue;
        gorse_get_widget(g, &screen, i, &record, &look);
        if (kind.tick(g, &record.widget) != 0u)
            gorse_event(g, GORSE_ON_DONE, i);
    }
}

static void command(gorse *g, uint16_t screen_number, uint16_t widget, uint8_t what) {
    gorse_screen screen;
    gorse_kind kind;
    gorse_record record;
    gorse_look look;
    if (screen_number != gorse_head_of(g)->screen)
        return;
    gorse_get_screen(g, screen_number, &screen);
    if (widget >= screen.widget_count || get_kind(&screen, widget, &kind) == 0u || kind.command == 0)
        return;
    gorse_get_widget(g, &screen, widget, &record, &look);
    kind.command(g, &record.widget, what);
}

const GORSE_ROM gorse_motion gorse_motion_of_widgets = {enter, tick, command};
