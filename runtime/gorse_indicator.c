/* SPDX-License-Identifier: MIT */
/* What kinds that show a value share. */
#include "gorse_internal.h"

/* Both are differences of int32: they fit without a sign. */
static uint32_t above(int32_t value, int32_t min) { return (uint32_t)value - (uint32_t)min; }

uint16_t gorse_scaled_value(const gorse_widget_indicator *indicator, int32_t value, uint16_t length) {
    return gorse_scaled(indicator->limits, value, length);
}

uint16_t gorse_scaled(const GORSE_ROM int32_t *limits, int32_t value, uint16_t length) {
    const int32_t min = limits[0], max = limits[1];
    uint32_t range = above(max, min), part;
    if (value <= min)
        return 0;
    if (value >= max)
        return length;
    /* The product has to fit 32 bits. */
    for (part = above(value, min); range > 0xffffu; range >>= 1)
        part >>= 1;
    return (uint16_t)((part * length + range / 2u) / range);
}

int32_t gorse_value_from(const gorse *g, uint16_t from, const GORSE_ROM gorse_screen *screen) {
    if (from == GORSE_NONE)
        return 0;
    if (from >= GORSE_VALUE_IN_SLOT)
        return gorse_slots(g)[screen->first_slot + (from - GORSE_VALUE_IN_SLOT)];
    return gorse_number(g, from);
}

int32_t gorse_shown_value(const gorse *g, const gorse_widget_indicator *indicator) {
    return gorse_value_from(g, indicator->variable, gorse_shown(g));
}

uint8_t gorse_zone_of(const GORSE_ROM int32_t *zones, uint8_t count, int32_t value) {
    uint8_t number;
    for (number = 0; number < count; number++, zones += GORSE_ZONE_NUMBERS)
        if (zones[GORSE_ZONE_FROM] <= value && value <= zones[GORSE_ZONE_TO])
            break;
    return number;
}

static gorse_reach between(uint16_t a, uint16_t b) {
    gorse_reach reach;
    reach.from = a < b ? a : b;
    reach.end = a < b ? b : a;
    return reach;
}

static uint16_t end_now(const gorse *g, const gorse_widget_indicator *indicator, uint16_t steps) {
    return gorse_scaled_value(indicator, gorse_shown_value(g, indicator), steps);
}

void gorse_enter_reach(gorse *g, const gorse_widget_indicator *indicator, uint8_t command, uint16_t steps) {
    const uint16_t end = end_now(g, indicator, steps);
    if (command == GORSE_COMMAND_ENTER)
        memcpy(gorse_widget_state(g, &indicator->widget), &end, sizeof end);
}

uint8_t gorse_move_reach(gorse *g, const gorse_widget_indicator *indicator, uint16_t steps, gorse_reach *moved) {
    const uint16_t end = end_now(g, indicator, steps);
    uint16_t before;
    memcpy(&before, gorse_widget_state(g, &indicator->widget), sizeof before);
    memcpy(gorse_widget_state(g, &indicator->widget), &end, sizeof end);
    *moved = between(before, end);
    return (uint8_t)(before != end && indicator->widget.visible != 0u);
}

gorse_reach gorse_shown_reach(const gorse *g, const gorse_widget_indicator *indicator, uint16_t steps) {
    uint16_t end;
    memcpy(&end, gorse_widget_state(g, &indicator->widget), sizeof end);
    return between(gorse_scaled_value(indicator, indicator->limits[2], steps), end < steps ? end : steps);
}

uint32_t gorse_wait_for_value(const gorse *g, const gorse_widget *widget) {
    (void)g;
    (void)widget;
    return GORSE_FOREVER;
}
