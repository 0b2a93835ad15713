/* SPDX-License-Identifier: MIT */
/* The transition that runs. */
#ifndef GORSE_TRANSITION_H
#define GORSE_TRANSITION_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Screens of the history whose transition is known; those before them get the first one. */
enum { GORSE_TRANSITIONS_KEPT = 8 };

/* In the state. Behind it lies what the screen before the shown one had in the screens' part, while one runs. */
typedef struct gorse_transition_state {
    uint32_t since;                       /* when it began */
    uint16_t from;                        /* the screen before */
    uint16_t shown;                       /* the screen that is shown */
    uint8_t runs;                         /* 1 more than the number of the transition; 0: none */
    uint8_t back;                         /* 1: it is played backwards */
    uint8_t asked;                        /* by a rule for the next change: as runs */
    uint8_t depth;                        /* of the history when the shown screen was entered */
    uint8_t left[GORSE_TRANSITIONS_KEPT]; /* how the screens of the history were left, the latest first: as runs */
} gorse_transition_state;

static inline gorse_transition_state *gorse_transition_state_of(const gorse *g) {
    return (gorse_transition_state *)(void *)gorse_behind_head(g, g->scene->transitions->state_at);
}

/* Exchanges what the shown screen has in the state, and as many bytes elsewhere. */
void gorse_exchange_memory(const gorse *g, uint8_t *other);

/* 1 while one runs. */
uint8_t gorse_in_transition(const gorse *g);

#ifdef __cplusplus
}
#endif
#endif
