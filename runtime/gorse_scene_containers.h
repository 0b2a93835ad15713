/* SPDX-License-Identifier: MIT */
/* The records of widgets that hold others. */
#ifndef GORSE_SCENE_CONTAINERS_H
#define GORSE_SCENE_CONTAINERS_H

#include "gorse_scene_controls.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Bits of gorse_widget_group.scroll: which ways the finger moves what it holds. */
enum { GORSE_SCROLL_ACROSS = 1, GORSE_SCROLL_DOWN = 2 };

/* What every container's record begins with: it holds the widgets behind it, up to `end`. Their boxes count from its
 * corner, moved to the left and up by pan_x and pan_y. */
typedef struct gorse_widget_group {
    gorse_widget widget;
    int16_t pan_x, pan_y; /* pixels */
    uint16_t end;         /* the number behind the last widget that it holds */
    uint8_t clip;         /* 1: what it holds shows in its box only */
    uint8_t scroll;       /* GORSE_SCROLL_... */
} gorse_widget_group;

/* What scenes with containers have beside widgets. */
typedef struct gorse_containers {
    /* Of each screen, for each of its widgets the container that holds it, or GORSE_NONE; 0: it has no containers. */
    const GORSE_ROM uint16_t *const GORSE_ROM *holders;
    /* gorse_mix_back where any container lets something through, else 0 */
    void (*mix_back)(const struct gorse_canvas *c, const uint8_t *bytes, gorse_coord from, uint8_t opacity);
    uint32_t state_at; /* of the state, behind its head: a gorse_container_state, where any scrolls a gorse_scroller */
    uint8_t scrolls;   /* pixels after which a press becomes a scroll; 0: no finger moves what any hold */
    uint8_t fades;     /* how many containers, one in another, let something through, at most */
    uint8_t reserved[2];
} gorse_containers;

#ifdef __cplusplus
}
#endif
#endif
