/* SPDX-License-Identifier: MIT */
/* Sets of colours of which one is shown. */
#ifndef GORSE_SCENE_THEMES_H
#define GORSE_SCENE_THEMES_H

#include "gorse_scene_glides.h"

#ifdef __cplusplus
extern "C" {
#endif

struct gorse_scene;

/* What scenes with several sets have. */
typedef struct gorse_themes {
    /* The scene in each set. They differ in their screens, and in those only in colours: all that is laid out in the
     * state is the same. */
    const GORSE_ROM struct gorse_scene *const GORSE_ROM *each;
    uint16_t number; /* the variable that says which set is shown */
    uint16_t count;
} gorse_themes;

#ifdef __cplusplus
}
#endif
#endif
