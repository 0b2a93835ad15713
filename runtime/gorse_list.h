/* SPDX-License-Identifier: MIT */
/* Lists of items. gorse_list_none.c takes the place of gorse_kind_list.c in scenes without them. */
#ifndef GORSE_LIST_H
#define GORSE_LIST_H

#include "gorse_container.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Pixels that a list can be moved up. */
int32_t gorse_list_way(const gorse *g, uint16_t number);
/* Pixels of the items that a list snaps to; 0 if it does not, and for what is no list. */
uint8_t gorse_snap_of(const gorse *g, uint16_t number);
/* Chooses the next item of a list, or the one before. Returns 0 if there is none. */
uint8_t gorse_step_list(gorse *g, uint16_t number, int8_t way);

#ifdef __cplusplus
}
#endif
#endif
