/* SPDX-License-Identifier: MIT */
/* The glides that run. */
#ifndef GORSE_GLIDE_H
#define GORSE_GLIDE_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

typedef struct gorse_glide_state {
    uint32_t since; /* when its present round began */
    int32_t from, to;
    uint16_t runs;   /* 1 more than its number; 0: none */
    uint16_t rounds; /* that are left, the present one included; 0: for ever */
} gorse_glide_state;

static inline gorse_glide_state *gorse_glide_states(const gorse *g) {
    return (gorse_glide_state *)(void *)gorse_behind_head(g, g->scene->glides->state_at);
}

#ifdef __cplusplus
}
#endif
#endif
