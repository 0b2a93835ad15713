/* SPDX-License-Identifier: MIT */
/* What the kinds of gauges share. */
#ifndef GORSE_GAUGE_H
#define GORSE_GAUGE_H

#include "gorse_cover.h"
#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A gauge and where its middle is. */
typedef struct gorse_dial {
    const gorse_widget_gauge *of;
    const GORSE_ROM int16_t *face;
    gorse_fine pivot;
    int32_t radius; /* of the face, 1/64 pixel */
    gorse_rect box;
} gorse_dial;
void gorse_measure_dial(const gorse_widget_gauge *gauge, gorse_dial *out);

/* What gorse_kind says. */
void gorse_gauge_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what);
uint8_t gorse_gauge_tick(gorse *g, const gorse_widget *widget, const gorse_look *look);
uint32_t gorse_gauge_wait(const gorse *g, const gorse_widget *widget);

/* Zones, ticks and labels. */
void gorse_draw_scale(const gorse_canvas *c, const gorse_dial *d, const gorse_look *look);
/* The angle of the needle now. */
uint16_t gorse_needle_angle(const gorse *g, const gorse_dial *d);
/* A drawn needle with its hub. */
void gorse_draw_needle(const gorse_canvas *c, const gorse_dial *d);

#ifdef __cplusplus
}
#endif
#endif
