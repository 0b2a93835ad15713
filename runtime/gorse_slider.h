/* SPDX-License-Identifier: MIT */
/* What sliders share: those whose grip is drawn, and those with an image. */
#ifndef GORSE_SLIDER_H
#define GORSE_SLIDER_H

#include "gorse_control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Draws the grip in its box. */
typedef void gorse_draw_grip(const gorse_canvas *c, const gorse_widget_slider *slider, const gorse_look *look,
                             const gorse_rect *box);

/* Draws all of a slider. */
void gorse_draw_slider(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look,
                       gorse_draw_grip *grip);

/* See gorse_kind and gorse_control_kind. */
uint8_t gorse_slider_tick(gorse *g, const gorse_widget *widget, const gorse_look *look);
void gorse_touch_slider(gorse *g, uint16_t number, const gorse_view *view, uint8_t what);

#ifdef __cplusplus
}
#endif
#endif
