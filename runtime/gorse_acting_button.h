/* SPDX-License-Identifier: MIT */
/* What buttons that set a variable or repeat share: those with an image, and those without. */
#ifndef GORSE_ACTING_BUTTON_H
#define GORSE_ACTING_BUTTON_H

#include "gorse_control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Draws the bar at the edge of a button that is on. */
void gorse_draw_button_bar(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);

/* See gorse_kind and gorse_control_kind. */
void gorse_acting_button_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what);
uint8_t gorse_acting_button_tick(gorse *g, const gorse_widget *widget, const gorse_look *look);
uint8_t gorse_acting_button_states(const gorse *g, gorse_record *record);
void gorse_touch_acting_button(gorse *g, uint16_t number, const gorse_view *view, uint8_t what);

#ifdef __cplusplus
}
#endif
#endif
