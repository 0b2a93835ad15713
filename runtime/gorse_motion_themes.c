/* SPDX-License-Identifier: MIT */
/* The set of colours that is shown follows a variable. */
#include "gorse_themes.h"

/* Properties with the value that one set gives them get that of the other. */
static void begin_slots(gorse *g, const GORSE_ROM gorse_screen *from, const GORSE_ROM gorse_screen *to) {
    int32_t *values = gorse_slots(g) + from->first_slot;
    uint16_t i;
    for (i = 0; i < from->slot_count; i++)
        if (values[i] == from->slots[i].initial)
            values[i] = to->slots[i].initial;
}

void gorse_take_theme(gorse *g) {
    const GORSE_ROM gorse_scene *from = g->scene;
    const GORSE_ROM gorse_themes *themes = from->themes;
    const int32_t number = gorse_numbers(g)[themes->number];
    const GORSE_ROM gorse_scene *to = themes->each[number];
    uint16_t i;
    GORSE_ASSERT(number >= 0 && number < (int32_t)themes->count);
    if (to == from)
        return;
    for (i = 0; i < from->screen_count; i++)
        if (to->screens[i].slots != from->screens[i].slots)
            begin_slots(g, &from->screens[i], &to->screens[i]);
    g->scene = to;
    gorse_redraw(g);
}

static uint32_t step(gorse *g) {
    gorse_take_theme(g);
    return GORSE_FOREVER;
}

const GORSE_ROM gorse_motion gorse_motion_of_themes = {0, step, step, 0};
