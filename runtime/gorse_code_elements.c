/* SPDX-License-Identifier: MIT */
/* The operation of byte code that works on arrays: an element, or all of them. */
#include "gorse_internal.h"

typedef struct array {
    uint16_t first, count;
} array;

/* An element that an expression asks for, by an index that is computed. */
static int32_t array_element(const gorse *g, const array *a, int32_t index) {
    if ((uint32_t)index >= a->count)
        gorse_trace(g, GORSE_TRACE_ELEMENT, a->first, index);
    return gorse_element(g, a->first, a->count, (uint32_t)index);
}

static GORSE_OWN_FRAME void set_in_array(gorse *g, const array *a, int32_t index, int32_t value) {
    int32_t before;
    if ((uint32_t)index >= a->count) {
        gorse_trace(g, GORSE_TRACE_ELEMENT, a->first, index);
        return;
    }
    before = gorse_element(g, a->first, a->count, (uint32_t)index);
    (void)gorse_set_element(g, a->first, a->count, (uint32_t)index, value);
    if (g->port.changed != 0 && gorse_element(g, a->first, a->count, (uint32_t)index) != before)
        g->port.changed(g->port.user, a->first);
}

/* The sum, the smallest or the largest of all elements. */
static int32_t sum_or_extreme(const gorse *g, const array *a, uint8_t what) {
    const int32_t *number = gorse_numbers(g) + a->first;
    int32_t found = *number;
    uint32_t sum = 0;
    uint16_t i;
    for (i = a->count; i != 0u; i--, number++) {
        sum += (uint32_t)*number;
        if (what == GORSE_ARRAY_MIN ? *number < found : *number > found)
            found = *number;
    }
    return what == GORSE_ARRAY_SUM ? gorse_wrapped(sum) : found;
}

/* How many elements are less than a value, equal to it, or more. */
static int32_t count_elements(const gorse *g, const array *a, uint8_t what, int32_t value) {
    const int32_t *number = gorse_numbers(g) + a->first;
    int32_t found = 0;
    uint16_t i;
    for (i = a->count; i != 0u; i--, number++)
        if (what == GORSE_ARRAY_LESS ? *number < value : what == GORSE_ARRAY_EQUAL ? *number == value : *number > value)
            found++;
    return found;
}

static GORSE_OWN_FRAME void run_array(gorse *g, gorse_machine *m) {
    array a;
    uint16_t i;
    uint8_t what;
    int32_t value = 0;
    a.first = (uint16_t)(m->at[0] | (uint16_t)((uint16_t)m->at[1] << 8));
    a.count = (uint16_t)(m->at[2] + 1u);
    what = m->at[3];
    m->at += 4;
    GORSE_ASSERT(a.first + a.count <= g->scene->number_count);
    if (what < GORSE_ARRAY_SUM)
        value = gorse_pop(m);
    switch (what) {
    case GORSE_ARRAY_ELEMENT: gorse_push(m, array_element(g, &a, value)); break;
    case GORSE_ARRAY_SET: set_in_array(g, &a, gorse_pop(m), value); break;
    case GORSE_ARRAY_FILL:
        for (i = 0; i < a.count; i++)
            set_in_array(g, &a, i, value);
        break;
    case GORSE_ARRAY_LESS:
    case GORSE_ARRAY_EQUAL:
    case GORSE_ARRAY_MORE: gorse_push(m, count_elements(g, &a, what, value)); break;
    default: gorse_push(m, sum_or_extreme(g, &a, what)); break;
    }
}

void gorse_extended_code_with_elements(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand) {
    if (op == GORSE_OP_ARRAY)
        run_array(g, m);
    else
        gorse_extended_code(g, m, op, operand);
}
