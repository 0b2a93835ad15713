/* SPDX-License-Identifier: MIT */
/* What the kinds of readouts share. */
#ifndef GORSE_READOUT_H
#define GORSE_READOUT_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A look, or that of its states which is for what is wrong. */
void gorse_look_when_wrong(const gorse_look *look, gorse_look *out);

/* See gorse_kind. */
void gorse_draw_readout(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);
void gorse_readout_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what);
uint8_t gorse_readout_tick(gorse *g, const gorse_widget *widget, const gorse_look *look);

#ifdef __cplusplus
}
#endif
#endif
