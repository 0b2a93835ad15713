/* SPDX-License-Identifier: MIT */
/* What a panel has beside its picture: its light and the like, which are numbers, and its sound. */
#include "gorse_internal.h"

static void call(const gorse *g, uint16_t hook, const gorse_value *values, uint8_t count) {
    gorse_trace(g, GORSE_TRACE_HOOK, hook, count);
    if (g->port.hook != 0)
        g->port.hook(g->port.user, hook, values, count);
}

static GORSE_OWN_FRAME void set_outputs(const gorse *g) {
    const GORSE_ROM gorse_outputs *outputs = g->scene->outputs;
    uint8_t *known = gorse_behind_head(g, outputs->known_at);
    uint16_t i;
    for (i = 0; i < outputs->count; i++) {
        gorse_value value;
        value.number = gorse_number(g, outputs->each[i].number);
        value.text = 0;
        if (known[i] == (uint8_t)(value.number + 1))
            continue;
        known[i] = (uint8_t)(value.number + 1);
        call(g, outputs->each[i].hook, &value, 1);
    }
}

static GORSE_OWN_FRAME void play(const gorse *g, uint16_t hertz, uint16_t ms) {
    gorse_value values[2];
    values[0].number = (int32_t)hertz;
    values[1].number = (int32_t)ms;
    values[0].text = values[1].text = 0;
    call(g, g->scene->outputs->sound_hook, values, 2);
}

/* Plays the tone that is due, without those that a late step missed. Returns the ms until the next. */
static GORSE_OWN_FRAME uint32_t play_on(const gorse *g) {
    gorse_sound *sound = (gorse_sound *)(void *)gorse_behind_head(g, g->scene->outputs->sound_at);
    uint32_t passed = gorse_head_of(g)->now - sound->since;
    uint16_t before = sound->playing;
    const GORSE_ROM gorse_tone *tone;
    if (sound->asked != 0u) {
        sound->playing = sound->asked;
        sound->asked = 0;
        before = 0;
        passed = 0;
    }
    if (sound->playing == 0u)
        return GORSE_FOREVER;
    tone = g->scene->outputs->tones + (sound->playing - 1u);
    for (; tone->ms != 0u && passed >= tone->ms; tone++) {
        passed -= tone->ms;
        sound->playing++;
    }
    sound->since = gorse_head_of(g)->now - passed;
    if (tone->ms == 0u) {
        sound->playing = 0;
        play(g, 0, 0);
        return GORSE_FOREVER;
    }
    passed = tone->ms - passed;
    if (sound->playing != before)
        play(g, tone->hertz, (uint16_t)passed);
    return passed;
}

static uint32_t follow(gorse *g) {
    set_outputs(g);
    return g->scene->outputs->tones != 0 ? play_on(g) : GORSE_FOREVER;
}

static void command(gorse *g, uint16_t screen, uint16_t tone, uint8_t what) {
    (void)screen;
    if (what == GORSE_COMMAND_SOUND)
        ((gorse_sound *)(void *)gorse_behind_head(g, g->scene->outputs->sound_at))->asked = (uint16_t)(tone + 1u);
}

const GORSE_ROM gorse_motion gorse_motion_of_outputs = {0, 0, follow, command};
