/* SPDX-License-Identifier: MIT */
/* The elements of arrays: variables whose numbers lie one behind the other. */
#include "gorse_internal.h"

gorse_result gorse_set_element(gorse *g, uint16_t first, uint16_t count, uint32_t index, int32_t value) {
    const int32_t *number;
    int32_t before;
    gorse_result result;
    if (g->scene == 0)
        return GORSE_RESULT_NOT_BEGUN;
    if (index >= count || first >= g->scene->number_count || count > g->scene->number_count - first)
        return GORSE_RESULT_UNKNOWN;
    number = gorse_numbers(g) + first + index;
    before = *number;
    result = gorse_set_number(g, (uint16_t)(first + index), value);
    if (*number != before)
        gorse_mark_changed(g, first);
    return result;
}

int32_t gorse_element(const gorse *g, uint16_t first, uint16_t count, uint32_t index) {
    return index < count ? gorse_number(g, (uint16_t)(first + index)) : 0;
}
