/* SPDX-License-Identifier: MIT */
/* Containers whose content a finger moves. */
#ifndef GORSE_SCROLL_H
#define GORSE_SCROLL_H

#include "gorse_container.h"

#ifdef __cplusplus
extern "C" {
#endif

enum {
    GORSE_SCROLLER_RESTS = 0,
    GORSE_SCROLLER_HELD = 1,   /* by the finger */
    GORSE_SCROLLER_COASTS = 2, /* goes on by itself, or back into its range */
    GORSE_SCROLLER_SHOWS = 3   /* stands still, its bars are still shown */
};

/* The one container that is moved now, in the state. */
typedef struct gorse_scroller {
    uint32_t since;    /* held or coasting: up to when its way is counted; else when it came to stand */
    int32_t at[2];     /* its pan, across and down, in 1/256 px */
    int32_t from[2];   /* its pan when the finger took it, px */
    int16_t speed[2];  /* 1/256 px in 8 ms */
    int16_t most[2];   /* as far as its bars say that it can be panned */
    int16_t finger[2]; /* where the finger was then */
    uint16_t widget;   /* unless it rests */
    uint8_t doing;     /* GORSE_SCROLLER_... */
    uint8_t ways;      /* GORSE_SCROLL_..., those that it moves */
} gorse_scroller;

/* The finger came down. Returns 1 if it stopped a container that moved by itself, so that it presses nothing. */
uint8_t gorse_press_scrolling(gorse *g);
/* It moved. Returns 1 if it moves a container, not what it pressed. */
uint8_t gorse_move_scrolling(gorse *g);
/* It was lifted. */
void gorse_release_scrolling(gorse *g);
/* Moves a widget that the focus is on into sight. */
void gorse_reveal(gorse *g, uint16_t widget);
/* Draws the bars of a container over what it holds. */
void gorse_draw_bars(gorse_canvas *c, const gorse_rect *area, uint16_t number);

static inline gorse_scroller *gorse_scroller_of(const gorse *g) {
    return (gorse_scroller *)(void *)(gorse_container_state_of(g) + 1);
}

/* The ways of a container of the shown screen, and how far it can be panned at most, across and down: as far as what it
 * holds reaches beyond its box. */
uint8_t gorse_scroll_range(const gorse *g, uint16_t number, int32_t most[2]);
/* Shows what is moved where it is, and runs the rules of that if it is elsewhere. */
void gorse_show_scroll(gorse *g);
/* Where something is that has slid since a time, for `ms` in all: fast first. */
int32_t gorse_slid(const gorse *g, uint32_t since, uint16_t ms, int32_t from, int32_t to);
/* Draws the bar of a list over its items. */
void gorse_draw_list_bar(const gorse_canvas *c, uint16_t number, const gorse_widget_list *list);
/* Sets a number of 1, 2 or 4 bytes at `offset` of the record of a widget of the shown screen, which must have a slot
 * for it. Returns 1 if it had another value. */
uint8_t gorse_set_field(gorse *g, uint16_t number, uint8_t offset, int32_t value);
/* Sets the pan of a container on one axis, in pixels. */
uint8_t gorse_set_pan(gorse *g, uint16_t number, uint8_t axis, int32_t pan);

#ifdef __cplusplus
}
#endif
#endif
