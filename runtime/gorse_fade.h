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

#ifdef __cplusplus
}
#endif
#endif
