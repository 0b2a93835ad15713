/* SPDX-License-Identifier: MIT */
/* Containers whose pages a finger, a variable or the knob turns. gorse_pager_none.c takes the place of
 * gorse_kind_pager.c in scenes without them. */
#ifndef GORSE_PAGER_H
#define GORSE_PAGER_H

#include "gorse_container.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The pan of an endless pager at which the page that holds what is drawn is nearest: `pan`, or one round from there.
 * `page` is the page's number on the screen. */
int16_t gorse_pan_round(const gorse *g, const gorse_widget_group *pager, uint16_t page, int16_t pan);
/* Shows the page of a pager that has a number on the screen. */
void gorse_show_page(gorse *g, uint16_t pager, uint16_t page);
/* Turns the pages of the uppermost pager that shows: what the knob does where the focus reaches nothing. */
void gorse_page_by(gorse *g, int8_t steps);
/* Draws the marks of a pager over what it holds. */
void gorse_draw_marks(gorse_canvas *c, const gorse_rect *area, uint16_t number);

#ifdef __cplusplus
}
#endif
#endif
