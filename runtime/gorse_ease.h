/* SPDX-License-Identifier: MIT */
#ifndef GORSE_EASE_H
#define GORSE_EASE_H

#include "gorse_scene.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The whole way of gorse_eased. */
enum { GORSE_EASED = 4096 };

/* How far something has got after `passed` of `whole` ms, which is at most 1,000,000: 0 to GORSE_EASED, GORSE_EASE_...
 * A bounce falls on its end and comes back from it twice, a quarter and a sixteenth of the way. */
uint16_t gorse_eased(uint32_t passed, uint32_t whole, uint8_t ease);

#ifdef __cplusplus
}
#endif
#endif
