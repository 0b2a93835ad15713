/* SPDX-License-Identifier: MIT */
/* What the kinds of bars that are as long as a value share. */
#ifndef GORSE_PROGRESS_H
#define GORSE_PROGRESS_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Where the bar runs: inside border and padding. `length` is in its direction, in pixels; steps are pixels or parts. */
typedef struct gorse_bar {
    gorse_rect box;
    uint16_t length, steps;
} gorse_bar;

void gorse_measure_bar(const gorse_widget_progress *p, const gorse_look *look, gorse_bar *out);
/* 1 if it has several parts. */
uint_fast8_t gorse_bar_has_parts(const gorse_widget_progress *p);
/* The pixels from one step to another, at most `steps`; of parts without the gap behind the last. 0 if there are none.
 */
uint_fast8_t gorse_bar_piece(const gorse_widget_progress *p, const gorse_bar *b, uint16_t from, uint16_t to,
                             gorse_rect *out);
/* Draws the parts as boxes of the look, those that are shown in the colour of its text. */
void gorse_draw_parts(const gorse_canvas *c, const gorse_widget_progress *p, const gorse_bar *b, const gorse_look *look,
                      const gorse_reach *shown);

/* See gorse_kind. */
void gorse_draw_progress(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);
void gorse_progress_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what);
uint8_t gorse_progress_tick(gorse *g, const gorse_widget *widget, const gorse_look *look);

#ifdef __cplusplus
}
#endif
#endif
