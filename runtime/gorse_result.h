/* SPDX-License-Identifier: MIT */
/* What calls return, and what the state takes: all that generated headers need of the runtime. */
#ifndef GORSE_RESULT_H
#define GORSE_RESULT_H

#include <stdint.h>

#include "gorse_options.h"

#ifdef __cplusplus
extern "C" {
#endif

/* What a call did. GORSE_RESULT_OK, GORSE_RESULT_UNCHANGED and GORSE_RESULT_CLAMPED are successes; all others mean that
 * nothing was done. */
typedef uint8_t gorse_result;
enum {
    GORSE_RESULT_OK = 0,
    GORSE_RESULT_UNCHANGED = 1,   /* the variable had this value already */
    GORSE_RESULT_CLAMPED = 2,     /* the value was outside its range and is the nearest inside; a text was cut */
    GORSE_RESULT_NOT_BEGUN = 3,   /* the interface was not started, or starting it failed */
    GORSE_RESULT_UNKNOWN = 4,     /* there is no variable or screen of that number */
    GORSE_RESULT_NULL = 5,        /* a pointer that is needed is 0 */
    GORSE_RESULT_NOT_ALIGNED = 6, /* state and buffer must be aligned as words are */
    GORSE_RESULT_STATE_TOO_SMALL = 7,
    GORSE_RESULT_BUFFER_TOO_SMALL = 8
};
/* The name of a result without GORSE_RESULT_, such as "NOT_ALIGNED", for a log; "?" for another number. */
const char *gorse_result_name(gorse_result result);

/* Returned by gorse_step when only a call of the firmware will give it something to do. */
#define GORSE_FOREVER 0xffffffffu

/* Bytes of the head of the state, and of the whole state with `end` bytes behind the head: what gorse_state_bytes
 * returns, as a constant expression. */
#define GORSE_HEAD_BYTES (20u + 2u * (GORSE_HISTORY + GORSE_HISTORY % 2) + 8u * (GORSE_DIRTY + 1))
#define GORSE_STATE_BYTES(end) (GORSE_HEAD_BYTES + (end))

#ifdef __cplusplus
}
#endif
#endif
