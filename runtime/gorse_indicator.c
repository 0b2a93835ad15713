/* SPDX-License-Identifier: MIT */
/* What kinds that show a value share. */
#include "gorse_internal.h"

/* Both are differences of int32: they fit without a sign. */
static uint32_t above(int32_t value, int32_t min) { return (uint32_t)value - (uint32_t)min; }

uint16_t gorse_scaled_value(const gorse_widget_indicator *indicator, int32_t value, uint16_t length) {
    const int32_t min = indicator->limits[0], max = indicator->limits[1];
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

int32_t gorse_shown_value(const gorse *g, const gorse_widget_indicator *indicator) {
    return indicator->variable == GORSE_NONE ? 0 : gorse_number(g, indicator->variable);
}
