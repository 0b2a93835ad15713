/* SPDX-License-Identifier: MIT */
/* Properties that go to another value in time. */
#ifndef GORSE_SCENE_GLIDES_H
#define GORSE_SCENE_GLIDES_H

#include "gorse_scene_transitions.h"

#ifdef __cplusplus
extern "C" {
#endif

enum {
    GORSE_GLIDE_BACK = 1,  /* there and back again: twice as long */
    GORSE_GLIDE_COLOUR = 2 /* of four channels */
};

typedef struct gorse_glide {
    uint32_t ms;        /* of one way */
    uint16_t slot;      /* of the scene's */
    uint16_t screen;    /* the slot's */
    uint16_t from_code; /* expressions, offsets in the byte code; GORSE_NONE: from where it is */
    uint16_t to_code;
    uint16_t then_code; /* what is done at its end, or GORSE_NONE */
    uint16_t rounds;    /* 0: for ever */
    uint8_t ease;       /* GORSE_EASE_... */
    uint8_t flags;      /* GORSE_GLIDE_... */
    uint16_t rule;      /* that began it */
} gorse_glide;

/* What scenes with glides have. */
typedef struct gorse_glides {
    const GORSE_ROM gorse_glide *each;
    uint32_t state_at; /* of the state, behind its head: a gorse_glide_state for each that can run at a time */
    uint16_t count;
    uint16_t at_a_time; /* as many as properties have some */
} gorse_glides;

#ifdef __cplusplus
}
#endif
#endif
