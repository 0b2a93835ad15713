/* SPDX-License-Identifier: MIT */
#ifndef GORSE_THEMES_H
#define GORSE_THEMES_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Takes the scene of the set that the theme's variable says, and marks everything. Properties that rules have not
 * changed begin again with what the set gives them. The scene must have themes. */
void gorse_take_theme(gorse *g);

#ifdef __cplusplus
}
#endif
#endif
