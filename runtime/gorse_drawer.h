/* SPDX-License-Identifier: MIT */
/* Containers that come in from an edge. gorse_drawer_none.c takes the place of gorse_kind_drawer.c in scenes without
 * them. */
#ifndef GORSE_DRAWER_H
#define GORSE_DRAWER_H

#include "gorse_scroll.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The first widget of the shown screen that is open to touch and focus: those below an open drawer with a shade are
 * not. */
uint16_t gorse_first_open(const gorse *g);
/* A touch of nothing at x, y closes an open drawer with a shade, unless it is in that. */
void gorse_touch_shade(gorse *g, gorse_coord x, gorse_coord y);
/* Closes the uppermost drawer with a shade, as the key back does. Returns 0 if none is open. */
uint8_t gorse_close_drawer(gorse *g);
/* The drawer that a finger takes which moves one way, GORSE_SCROLL_..., from where it came down; GORSE_NONE if that is
 * none. */
uint16_t gorse_drawer_at(const gorse *g, uint8_t way);
/* How far a drawer is closed, px. */
int16_t gorse_drawer_out(const gorse *g, uint16_t number);
/* Moves the drawer that the finger has to where that is. */
void gorse_pull_drawer(gorse *g);
/* Darkens what lies below a drawer. */
void gorse_draw_shade(gorse_canvas *c, const gorse_rect *area, uint16_t number);

#ifdef __cplusplus
}
#endif
#endif
