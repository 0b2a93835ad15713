/* SPDX-License-Identifier: MIT */
/* What trends show: their values are recorded in a part of the state of its own, whichever screen is shown. */
#include "gorse_internal.h"

/* Stores a sample of one value. */
static void store(const gorse *g, const GORSE_ROM gorse_keeper *recorder, uint8_t value, uint16_t to) {
    const GORSE_ROM gorse_widget_trend *trend = gorse_trend_of(recorder);
    const GORSE_ROM int32_t *course = trend->shown.limits + (uint16_t)value * GORSE_COURSE_NUMBERS;
    const int32_t now = gorse_value_from(g, (uint16_t)course[GORSE_COURSE_FROM], &g->scene->screens[recorder->screen]);
    gorse_samples_of(gorse_recording_of(g, recorder))[(uint32_t)value * trend->samples + to] =
        gorse_scaled(course, now, GORSE_SAMPLE_MAX);
}

/* The range of the samples, or all of it. */
static void find_range(const GORSE_ROM gorse_widget_trend *trend, gorse_recording *recording) {
    const uint16_t *sample = gorse_samples_of(recording);
    uint16_t i;
    uint8_t value;
    recording->low = 0;
    recording->high = GORSE_SAMPLE_MAX;
    if ((trend->flags & GORSE_TREND_FIT) == 0u)
        return;
    recording->low = GORSE_SAMPLE_MAX;
    recording->high = 0;
    for (value = 0; value < trend->values; value++, sample += trend->samples)
        for (i = 0; i < recording->count; i++) {
            recording->low = sample[i] < recording->low ? sample[i] : recording->low;
            recording->high = sample[i] > recording->high ? sample[i] : recording->high;
        }
}

static GORSE_OWN_FRAME void record(const gorse *g, const GORSE_ROM gorse_keeper *recorder) {
    const GORSE_ROM gorse_widget_trend *trend = gorse_trend_of(recorder);
    gorse_recording *recording = gorse_recording_of(g, recorder);
    uint8_t value;
    for (value = 0; value < trend->values; value++)
        store(g, recorder, value, recording->next);
    recording->next = (uint16_t)(recording->next + 1u < trend->samples ? recording->next + 1u : 0u);
    if (recording->count < trend->samples)
        recording->count++;
    find_range(trend, recording);
}

/* Marks what a sample changed, if its trend is shown. `whole`: its scale, or more than one sample. */
static GORSE_OWN_FRAME void show(gorse *g, const GORSE_ROM gorse_keeper *recorder, uint8_t whole) {
    gorse_view view;
    if (recorder->screen != gorse_head_of(g)->screen)
        return;
    gorse_see(g, recorder->widget, &view);
    if (whole != 0u)
        gorse_dirty_widget(g, view.widget);
    else if (view.widget->visible != 0u)
        gorse_dirty_sample(g, (const gorse_widget_trend *)(const void *)view.widget, view.look,
                           gorse_recording_of(g, recorder));
}

/* Records so many samples of what the values are now. */
static void record_times(gorse *g, const GORSE_ROM gorse_keeper *recorder, uint32_t times) {
    const gorse_recording *recording = gorse_recording_of(g, recorder);
    const uint16_t low = recording->low, high = recording->high;
    const uint8_t whole = (uint8_t)(times > 1u);
    if (times > gorse_trend_of(recorder)->samples)
        times = gorse_trend_of(recorder)->samples;
    for (; times != 0u; times--)
        record(g, recorder);
    show(g, recorder, (uint8_t)(whole | (recording->low != low) | (recording->high != high)));
}

/* Records what has become due; a late step records one for each that was missed. Returns the ms to the next. */
static uint32_t record_due(gorse *g, const GORSE_ROM gorse_keeper *recorder) {
    const uint32_t interval = gorse_sample_interval(gorse_trend_of(recorder));
    gorse_recording *recording = gorse_recording_of(g, recorder);
    const uint32_t passed = gorse_head_of(g)->now - recording->since;
    uint32_t due;
    if (interval == 0u)
        return GORSE_FOREVER;
    due = passed / interval;
    if (recording->count == 0u) {
        recording->since = gorse_head_of(g)->now;
        record_times(g, recorder, 1);
        return interval;
    }
    if (due != 0u) {
        recording->since += due * interval;
        record_times(g, recorder, due);
    }
    return interval - passed % interval;
}

static uint32_t follow(gorse *g) {
    uint32_t wait = GORSE_FOREVER;
    const GORSE_ROM gorse_keeper *recorder = g->scene->keepers;
    uint16_t i;
    for (i = g->scene->recorder_count; i != 0u; i--, recorder++) {
        const uint32_t own = record_due(g, recorder);
        wait = own < wait ? own : wait;
    }
    return wait;
}

gorse_result gorse_sample(gorse *g, uint16_t recorder) {
    if (g->scene == 0)
        return GORSE_RESULT_NOT_BEGUN;
    if (recorder >= g->scene->recorder_count)
        return GORSE_RESULT_UNKNOWN;
    record_times(g, &g->scene->keepers[recorder], 1);
    return GORSE_RESULT_OK;
}

static void command(gorse *g, uint16_t screen, uint16_t widget, uint8_t what) {
    uint16_t i;
    for (i = 0; i < g->scene->recorder_count && what == GORSE_COMMAND_SAMPLE; i++)
        if (g->scene->keepers[i].screen == screen && g->scene->keepers[i].widget == widget)
            (void)gorse_sample(g, i);
}

const GORSE_ROM gorse_motion gorse_motion_that_records = {0, 0, follow, command};
