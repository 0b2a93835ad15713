/* SPDX-License-Identifier: MIT */
/* Frames that show the value of a variable. */
#include "gorse_internal.h"

/* The last frame whose step is not above the value. */
static uint16_t frame_by_value(const gorse *g, const gorse_widget_frames *f) {
    const gorse_frames_part shown = gorse_part_of_frames(f);
    const int32_t value = gorse_number(g, f->variable);
    uint16_t frame = shown.first;
    while (frame < shown.last && value >= f->steps[frame - shown.first])
        frame++;
    return frame;
}

void gorse_following_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    gorse_frames_state state;
    if (what == GORSE_COMMAND_ENTER) {
        memset(&state, 0, sizeof state);
        memcpy(gorse_widget_state(g, widget), &state, sizeof state);
    }
    (void)gorse_following_tick(g, widget, look);
}

uint8_t gorse_following_tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_frames *f = (const gorse_widget_frames *)(const void *)widget;
    gorse_frames_state state;
    uint16_t frame;
    (void)look;
    if (f->animation == 0)
        return 0;
    memcpy(&state, gorse_widget_state(g, widget), sizeof state);
    frame = frame_by_value(g, f);
    if (state.frame != frame) {
        state.frame = frame;
        memcpy(gorse_widget_state(g, widget), &state, sizeof state);
        gorse_dirty_widget(g, widget);
    }
    return 0;
}

uint32_t gorse_following_wait(const gorse *g, const gorse_widget *widget) {
    (void)g;
    (void)widget;
    return GORSE_FOREVER;
}
