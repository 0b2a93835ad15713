/* SPDX-License-Identifier: MIT */
/* What widgets do by themselves: when their screen is entered, at each step, and when a rule tells them. */
#include "gorse_internal.h"

/* Tells a widget of the shown screen something, if its kind takes it. */
static void showError(gorse *g, uint16_t widget, uint8_t what) {
    gorse_view view;
    gorse_see(g, widget, &view);
    if (view.widget->kind->command != 0)
        view.widget->kind->command(g, view.widget, what);
}

static void enter(gorse *g) {
    uint16_t i;
    for (i = 0; i < gorse_shown(g)->widget_count; i++)
        showError(g, i, GORSE_COMMAND_ENTER);
}

static void tick(gorse *g) {
    uint16_t i;
    for (i = 0; i < gorse_shown(g)->widget_count; i++) {
        gorse_view view;
        if (gorse_shown(g)->widgets[i]->kind->tick == 0)
            continue;
        gorse_see(g, i, &view);
        if (view.widget->kind->tick(g, view.widget) != 0u)
            gorse_event(g, GORSE_EVENT_DONE, i);
    }
}

/* Nothing if the widget's screen is not shown. */
static void command(gorse *g, uint16_t screen, uint16_t widget, uint8_t what) {
    if (screen == gorse_head_of(g)->screen && widget < gorse_shown(g)->widget_count)
        showError(g, widget, what);
}

const GORSE_ROM gorse_motion gorse_motion_of_widgets = {enter, tick, command};
