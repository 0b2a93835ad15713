/* SPDX-License-Identifier: MIT */
/* A value that an interrupt hands to the main program: the latest counts. One interrupt may write while the main
 * program of the same processor reads; neither waits, and interrupts stay enabled. */
#ifndef GORSE_LATCH_H
#define GORSE_LATCH_H

#include "gorse.h"

#ifdef __cplusplus
extern "C" {
#endif

/* All zeros: nothing was written. */
typedef struct gorse_latch {
    volatile int32_t values[2]; /* number `written` is in its lowest bit's place */
    volatile uint8_t written;   /* counts; only the interrupt changes it */
    uint8_t taken;              /* the `written` that was taken last */
} gorse_latch;

/* Writes a value, clamped to min..max. Returns GORSE_RESULT_OK or GORSE_RESULT_CLAMPED. */
gorse_result gorse_latch_put(gorse_latch *latch, int32_t value, int32_t min, int32_t max);
/* Reads the latest value; 0 if none was written since the last call. */
uint8_t gorse_latch_take(gorse_latch *latch, int32_t *value);

#ifdef __cplusplus
}
#endif
#endif
