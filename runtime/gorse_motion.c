/* SPDX-License-Identifier: MIT */
/* What widgets do by themselves: when their screen is entered, at each step, and when a rule commands them. */
#include "gorse_internal.h"

/* Tells a widget of the shown screen something, if its kind takes it. */
static void send(gorse *g, uint16_t widget, uint8_t what) {
    gorse_view view;
    gorse_see(g, widget, &view);
    if (view.widget->kind->command != 0)
        view.widget->kind->command(g, view.widget, view.look, what);
}

void gorse_widgets_enter(gorse *g) {
    uint16_t i;
    for (i = 0; i < gorse_shown(g)->widget_count; i++)
        send(g, i, GORSE_COMMAND_ENTER);
}

uint32_t gorse_widgets_tick(gorse *g) {
    uint32_t wait = GORSE_FOREVER;
    uint16_t i;
    for (i = 0; i < gorse_shown(g)->widget_count; i++) {
        const GORSE_ROM gorse_kind *kind = gorse_shown(g)->widgets[i]->kind;
        gorse_view view;
        uint32_t own;
        if (kind->tick == 0)
            continue;
        gorse_see(g, i, &view);
        if (kind->tick(g, view.widget, view.look) != 0u)
            gorse_event(g, GORSE_EVENT_DONE, i);
        own = kind->wait(g, view.widget);
        wait = own < wait ? own : wait;
    }
    return wait;
}

void gorse_widgets_command(gorse *g, uint16_t screen, uint16_t widget, uint8_t what) {
    if (screen == gorse_head_of(g)->screen && widget < gorse_shown(g)->widget_count)
        send(g, widget, what);
}

const GORSE_ROM gorse_motion gorse_motion_of_widgets = {gorse_widgets_enter, gorse_widgets_tick, gorse_widgets_tick,
                                                        gorse_widgets_command};
