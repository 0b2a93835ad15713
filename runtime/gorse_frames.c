/* SPDX-License-Identifier: MIT */
/* Frames that play by time, and what all frames share. */
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

gorse_frames_part gorse_part_of_frames(const gorse_widget_frames *f) {
    const uint16_t end = (uint16_t)(f->animation->count - 1u);
    gorse_frames_part out;
    out.first = (uint16_t)(f->first > 1u ? f->first - 1u : 0u);
    if (out.first > end)
        out.first = end;
    out.last = (uint16_t)(f->last == 0u || f->last > end ? end : f->last - 1u);
    if (out.last < out.first)
        out.last = out.first;
    return out;
}

static void show(gorse *g, const gorse_widget *widget, gorse_frames_state *state, uint16_t frame) {
    if (state->frame == frame)
        return;
    state->frame = frame;
    gorse_dirty_widget(g, widget);
}

void gorse_frames_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    const gorse_widget_frames *f = frames_of(widget);
    gorse_frames_state state;
    (void)look;
    if (f->animation == 0)
        return;
    if (what == GORSE_COMMAND_ENTER)
        memset(&state, 0, sizeof state);
    else
        get_state(g, widget, &state);
    state.playing = what == GORSE_COMMAND_ENTER  ? (uint8_t)((f->play & GORSE_PLAY_STARTS) != 0u)
                    : what == GORSE_COMMAND_PLAY ? 1u
                                                 : 0u;
    if (what != GORSE_COMMAND_STOP) {
        state.backwards = 0;
        show(g, widget, &state, gorse_part_of_frames(f).first);
    }
    state.since = gorse_head_of(g)->now;
    put_state(g, widget, &state);
}

/* Moves to the next frame; 1 if there is none. */
static uint8_t move_on(gorse *g, const gorse_widget *widget, gorse_frames_state *state, gorse_frames_part shown) {
    const gorse_widget_frames *f = frames_of(widget);
    if ((f->play & GORSE_PLAY_TO_AND_FRO) != 0u && shown.last != shown.first) {
        if (state->frame == shown.last)
            state->backwards = 1;
        else if (state->frame == shown.first)
            state->backwards = 0;
        show(g, widget, state, (uint16_t)(state->backwards != 0u ? state->frame - 1u : state->frame + 1u));
        return (uint8_t)(state->backwards != 0u && state->frame == shown.first);
    }
    if (state->frame < shown.last) {
        show(g, widget, state, (uint16_t)(state->frame + 1u));
        return 0;
    }
    if ((f->play & GORSE_PLAY_ONCE) != 0u)
        state->playing = 0;
    else
        show(g, widget, state, shown.first);
    return 1;
}

uint8_t gorse_frames_tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_frames *f = frames_of(widget);
    uint32_t now = gorse_head_of(g)->now;
    const GORSE_ROM gorse_animation *animation = f->animation;
    gorse_frames_state state;
    uint8_t ended = 0;
    uint16_t guard;
    gorse_frames_part shown;
    (void)look;
    if (animation == 0)
        return 0;
    get_state(g, widget, &state);
    shown = gorse_part_of_frames(f);
    /* Another part begins anew. */
    if (state.frame < shown.first || state.frame > shown.last) {
        show(g, widget, &state, shown.first);
        state.backwards = 0;
        state.since = now;
    }
    /* A late step catches up; one that is later than a round begins anew from now. */
    for (guard = animation->count; state.playing != 0u && now - state.since >= animation->times[state.frame]; guard--) {
        if (guard == 0u) {
            state.since = now;
            break;
        }
        state.since += animation->times[state.frame];
        ended = (uint8_t)(ended | move_on(g, widget, &state, shown));
    }
    put_state(g, widget, &state);
    return ended;
}

uint32_t gorse_frames_wait(const gorse *g, const gorse_widget *widget) {
    const gorse_widget_frames *f = frames_of(widget);
    gorse_frames_state state;
    uint32_t shown;
    get_state(g, widget, &state);
    if (f->animation == 0 || state.playing == 0u)
        return GORSE_FOREVER;
    shown = gorse_head_of(g)->now - state.since;
    return shown < f->animation->times[state.frame] ? f->animation->times[state.frame] - shown : 0u;
}

const GORSE_ROM gorse_image *gorse_shown_frame(const gorse *g, const gorse_widget *widget) {
    const gorse_widget_frames *f = frames_of(widget);
    gorse_frames_state state;
    get_state(g, widget, &state);
    if (f->animation == 0 || state.frame >= f->animation->count)
        return 0;
    return f->animation->frames[state.frame];
}
