/* SPDX-License-Identifier: MIT */
/* How one screen follows another. */
#ifndef GORSE_SCENE_TRANSITIONS_H
#define GORSE_SCENE_TRANSITIONS_H

#include "gorse_scene_containers.h"

#ifdef __cplusplus
extern "C" {
#endif

enum {
    GORSE_TRANSITION_SLIDE = 0,   /* the next screen pushes the one before it out */
    GORSE_TRANSITION_COVER = 1,   /* it comes over that */
    GORSE_TRANSITION_UNCOVER = 2, /* that goes, and shows what lies below */
    GORSE_TRANSITION_FADE = 3
};
/* Where things move to. */
enum { GORSE_WAY_LEFT = 0, GORSE_WAY_RIGHT = 1, GORSE_WAY_UP = 2, GORSE_WAY_DOWN = 3 };
/* How fast things are: the whole way evenly, slowly at its beginning, its end, or both; or they fall, and bounce. */
enum { GORSE_EASE_NONE = 0, GORSE_EASE_IN = 1, GORSE_EASE_OUT = 2, GORSE_EASE_BOTH = 3, GORSE_EASE_BOUNCE = 4 };

struct gorse_motion;

typedef struct gorse_transition {
    uint16_t ms; /* 0: a cut */
    uint8_t how; /* GORSE_TRANSITION_... */
    uint8_t way; /* GORSE_WAY_... */
    uint8_t ease;
    uint8_t reserved[3];
} gorse_transition;

/* What scenes with transitions have. */
typedef struct gorse_transitions {
    const GORSE_ROM gorse_transition *each; /* the first is that of changes without one of their own */
    /* gorse_mix_back where any fades, else 0 */
    void (*mix_back)(const struct gorse_canvas *c, const uint8_t *bytes, gorse_coord from, uint8_t opacity);
    uint32_t state_at; /* of the state, behind its head: a gorse_transition_state, then what the screen before the shown
                          one has in the screens' part */
    uint32_t levels_at; /* of the state: where it has levels a gorse_level_state */
    /* Of screens that keep what their widgets remember: where that begins behind the levels, or GORSE_NONE; and how
     * many bytes it has. 0: none does. */
    const GORSE_ROM uint16_t *keeps;
    const GORSE_ROM uint16_t *kept_bytes;
    const GORSE_ROM struct gorse_motion *inner; /* with levels: the motion that &gorse_motion_of_levels calls */
    uint16_t bytes;                             /* of what a screen has in the screens' part */
    uint8_t count;
    uint8_t fades;      /* 1: some fade */
    uint8_t levels;     /* how many screens can lie below others */
    uint8_t has_levels; /* 1: any can, or keeps something */
    uint8_t reserved[2];
} gorse_transitions;

#ifdef __cplusplus
}
#endif
#endif
