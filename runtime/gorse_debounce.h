/* SPDX-License-Identifier: MIT */
/* Keys without bounces, for firmware that reads their levels. */
#ifndef GORSE_DEBOUNCE_H
#define GORSE_DEBOUNCE_H

#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/* A key. All zeros: it is up. */
typedef struct gorse_debounced {
    uint32_t since; /* ms: when the level became what it is */
    uint8_t level;  /* the latest one that was read */
    uint8_t down;   /* what counts */
    uint8_t reserved[2];
} gorse_debounced;

/* Takes the level of a key at a time, 1 down and 0 up, which may wrap. Returns 1 while the key counts as down: a level
 * counts once it was read the same for `stable_ms` or longer; 5 to 20 suit most keys. */
uint8_t gorse_debounce(gorse_debounced *key, uint8_t level, uint32_t now_ms, uint16_t stable_ms);

#ifdef __cplusplus
}
#endif
#endif
