/* SPDX-License-Identifier: MIT */
/* Screens that are shown over others, and those that keep what their widgets remember. gorse_levels_none.c takes the
 * place of gorse_levels.c in scenes with neither. */
#ifndef GORSE_LEVELS_H
#define GORSE_LEVELS_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Screens that lie below others at most. */
enum { GORSE_LEVELS = 3 };

/* In the state. Behind it, for each level that the scene has, what its screen has in the screens' part; then what the
 * screens keep that do, each behind a byte that is 1 once it was left. */
typedef struct gorse_level_state {
    uint32_t sum;                 /* of the properties of the screens below, as they are drawn */
    uint16_t below[GORSE_LEVELS]; /* the lowest first */
    uint16_t over;                /* the screen that a rule asks for over the one that is shown, or GORSE_NONE */
    uint8_t depth;                /* how many are below */
    uint8_t kept;                 /* 1: the screen that is shown now goes on where it was left */
    uint8_t reserved[2];
} gorse_level_state;

static inline gorse_level_state *gorse_levels_of(const gorse *g) {
    return (gorse_level_state *)(void *)gorse_behind_head(g, g->scene->transitions->levels_at);
}

enum { GORSE_CHANGE_PLAIN = 0, GORSE_CHANGE_OVER = 1, GORSE_CHANGE_CLOSED = 2 };

/* Another screen is shown, `*before` the one before: stores and restores what their widgets remember. Returns
 * GORSE_CHANGE_..., and in `*before` the screen that is left. */
uint8_t gorse_change_levels(gorse *g, uint16_t *before);
/* Draws the screens that are shown, the lowest first, on a ground that lets nothing through. */
void gorse_draw_levels(gorse *g, gorse_canvas *c, const gorse_rect *area);

#ifdef __cplusplus
}
#endif
#endif
