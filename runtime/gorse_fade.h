/* SPDX-License-Identifier: MIT */
/* Painting where widgets let what is below them through. Each of these is drawn a few rows at a time over a copy of
 * these rows, and the copy is mixed over it. The copy lies in the last quarter of the draw buffer. */
#ifndef GORSE_FADE_H
#define GORSE_FADE_H

#include "gorse_scene.h"

#ifdef __cplusplus
extern "C" {
#endif

/* gorse_panel.paint. The draw buffer must hold four lines or pages; on panels that are turned by a quarter twelve
 * squares of whole bytes; up to the next 16 bytes. */
void gorse_paint_rows_with_copy(gorse *g, const gorse_rect *area);
void gorse_paint_squares_with_copy(gorse *g, const gorse_rect *area);

/* The same where containers let something through: the copies of the rows below each of them, one in another, and those
 * of a widget, have a part of the buffer each, and three such parts are painted in. A part holds a line or page, or on
 * panels that are turned three squares, up to the next 4 bytes. */
void gorse_paint_rows_with_copies(gorse *g, const gorse_rect *area);
void gorse_paint_squares_with_copies(gorse *g, const gorse_rect *area);

/* Mixes rows as they were, the first at `from` and as long as those of the strip, over what is in the canvas's clip, of
 * which `opacity` stays. */
void gorse_mix_back(const struct gorse_canvas *c, const uint8_t *bytes, gorse_coord from, uint8_t opacity);

#ifdef __cplusplus
}
#endif
#endif
