/* SPDX-License-Identifier: MIT */
#include "gorse_latch.h"

gorse_result gorse_latch_put(gorse_latch *latch, int32_t value, int32_t min, int32_t max) {
    int32_t clamped = value < min ? min : value > max ? max : value;
    uint8_t next = (uint8_t)(latch->written + 1u);
    latch->values[next & 1u] = clamped;
    latch->written = next;
    return clamped == value ? GORSE_RESULT_OK : GORSE_RESULT_CLAMPED;
}

uint8_t gorse_latch_take(gorse_latch *latch, int32_t *value) {
    uint8_t written = latch->written;
    if (written == latch->taken)
        return 0;
    /* A write during the read goes to the other place; two of them come back to this one. */
    do {
        written = latch->written;
        *value = latch->values[written & 1u];
    } while (written != latch->written);
    latch->taken = written;
    return 1;
}
