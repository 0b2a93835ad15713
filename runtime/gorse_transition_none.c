/* SPDX-License-Identifier: MIT */
/* Scenes with controls and no transitions: gorse_motion_transition.c takes the place of this file in others. */
#include "gorse_transition.h"

GORSE_REPLACEABLE uint8_t gorse_in_transition(const gorse *g) {
    (void)g;
    return 0;
}
