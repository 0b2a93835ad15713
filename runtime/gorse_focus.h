/* SPDX-License-Identifier: MIT */
/* What the knob and the keys are on. */
#ifndef GORSE_FOCUS_H
#define GORSE_FOCUS_H

#include "gorse_control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The focus, in the state. Behind it, for each screen, the widget that it was on when the screen was left, 2 bytes;
 * GORSE_NONE: none yet. */
typedef struct gorse_focus {
    uint16_t widget; /* of the shown screen, or GORSE_NONE */
    uint8_t entered; /* 1: turns change its value */
    uint8_t pushed;  /* 1: a key presses it */
} gorse_focus;

/* Bits of gorse_widget.enabled in a copy that is drawn. */
enum { GORSE_FOCUS_IS_HERE = 2, GORSE_FOCUS_ENTERED = 4 };

static inline gorse_focus *gorse_focus_of(const gorse *g) {
    return (gorse_focus *)(void *)gorse_behind_head(g, g->scene->controls->focus_at);
}
static inline uint16_t *gorse_remembered_focus(const gorse *g) { return (uint16_t *)(void *)(gorse_focus_of(g) + 1); }

/* Puts the focus where it was on the screen that is shown, else on the first widget that it reaches. */
void gorse_enter_focus(gorse *g);
/* Moves it on if its widget is hidden or disabled now. */
void gorse_keep_focus(gorse *g);

#ifdef __cplusplus
}
#endif
#endif
