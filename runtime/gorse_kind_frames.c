/* SPDX-License-Identifier: MIT */
/* Frames that play by time, or show the value of a variable. */
#include <string.h>

#include "gorse_internal.h"

static const gorse_widget_frames *frames_of(const gorse_widget *widget) {
    return (const gorse_widget_frames *)(const void *)widget;
}

/* The screen's memory has no alignment. */
static void get_state(const gorse *g, const gorse_widget *widget, gorse_frames_state *state) {
    memcpy(state, gorse_widget_state(g, widget), sizeof *state);
}

static void put_state(const gorse *g, const gorse_widget *widget, const gorse_frames_state *state) {
    memcpy(gorse_widget_state(g, widget), state, sizeof *state);
}

/* The frame that shows the variable's value: the last whose step is not above it. */
static uint16_t frame_by_value(const gorse *g, const gorse_widget_frames *f, uint16_t count) {
    int32_t value = gorse_number(g, f->variable);
    uint16_t frame = 0;
    while (frame + 1u < count && value >= f->steps[frame])
        frame++;
    return frame;
}

static void show(gorse *g, const gorse_widget *widget, gorse_frames_state *state, uint16_t frame) {
    if (state->frame == frame)
        return;
    state->frame = frame;
    gorse_dirty_widget(g, widget);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    const gorse_widget_frames *f = frames_of(widget);
    gorse_frames_state state;
    (void)look;
    if (f->animation == 0)
        return;
    if (what == GORSE_COMMAND_ENTER)
        memset(&state, 0, sizeof state);
    else
        get_state(g, widget, &state);
    if (f->steps != 0) {
        show(g, widget, &state, frame_by_value(g, f, f->animation->count));
    } else {
        state.playing = what == GORSE_COMMAND_ENTER ? f->starts : what == GORSE_COMMAND_PLAY ? 1u : 0u;
        if (what == GORSE_COMMAND_PLAY) {
            state.backwards = 0;
            show(g, widget, &state, 0);
        }
        state.since = gorse_head_of(g)->now;
    }
    put_state(g, widget, &state);
}

/* Moves to the next frame; 1 if there is none. */
static uint8_t move_on(gorse *g, const gorse_widget *widget, gorse_frames_state *state, uint16_t count) {
    const gorse_widget_frames *f = frames_of(widget);
    uint16_t last = (uint16_t)(count - 1u);
    if (f->play == GORSE_PLAY_TO_AND_FRO && last != 0u) {
        if (state->frame == last)
            state->backwards = 1;
        else if (state->frame == 0u)
            state->backwards = 0;
        show(g, widget, state, (uint16_t)(state->backwards != 0u ? state->frame - 1u : state->frame + 1u));
        return (uint8_t)(state->backwards != 0u && state->frame == 0u);
    }
    if (state->frame < last) {
        show(g, widget, state, (uint16_t)(state->frame + 1u));
        return 0;
    }
    if (f->play == GORSE_PLAY_ONCE)
        state->playing = 0;
    else
        show(g, widget, state, 0);
    return 1;
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_frames *f = frames_of(widget);
    uint32_t now = gorse_head_of(g)->now;
    const GORSE_ROM gorse_animation *animation = f->animation;
    gorse_frames_state state;
    uint8_t ended = 0;
    uint16_t guard;
    (void)look;
    if (animation == 0)
        return 0;
    get_state(g, widget, &state);
    if (f->steps != 0) {
        show(g, widget, &state, frame_by_value(g, f, f->animation->count));
        put_state(g, widget, &state);
        return 0;
    }
    /* A late step catches up; one that is later than a round begins anew from now. */
    for (guard = animation->count; state.playing != 0u && now - state.since >= animation->times[state.frame]; guard--) {
        if (guard == 0u) {
            state.since = now;
            break;
        }
        state.since += animation->times[state.frame];
        ended = (uint8_t)(ended | move_on(g, widget, &state, animation->count));
    }
    put_state(g, widget, &state);
    return ended;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    const gorse_widget_frames *f = frames_of(widget);
    gorse_frames_state state;
    uint32_t shown;
    get_state(g, widget, &state);
    if (f->animation == 0 || f->steps != 0 || state.playing == 0u)
        return GORSE_FOREVER;
    shown = gorse_head_of(g)->now - state.since;
    return shown < f->animation->times[state.frame] ? f->animation->times[state.frame] - shown : 0u;
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_frames *f = frames_of(widget);
    const GORSE_ROM gorse_image *image = 0;
    gorse_frames_state state;
    get_state(c->run, widget, &state);
    if (f->animation != 0 && state.frame < f->animation->count)
        image = f->animation->frames[state.frame];
    gorse_draw_image_box(c, widget, look, image, f->align, f->place);
}

const GORSE_ROM gorse_kind gorse_kind_frames = {sizeof(gorse_widget_frames), 0, draw, command, tick, wait};
