/* SPDX-License-Identifier: MIT */
/* Kinds that draw by another kind, for widgets with properties that few have. */
#ifndef GORSE_WRAPPED_H
#define GORSE_WRAPPED_H

#include "gorse_scene.h"

#ifdef __cplusplus
extern "C" {
#endif

typedef void gorse_draw_function(const struct gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);

/* `kind` has the record and the flags of `of`, and GORSE_KIND_WRAPPED. Its draw goes on to `inner`, or if that is 0 to
 * the one of `of`. */
typedef struct gorse_wrapped_kind {
    gorse_kind kind;
    gorse_draw_function *inner;
    const GORSE_ROM gorse_kind *of;
} gorse_wrapped_kind;

/* With an opacity, see gorse_fade.h. */
gorse_draw_function gorse_draw_faded;
/* With an entry of its image's palette in another colour. */
gorse_draw_function gorse_draw_recoloured_image, gorse_draw_recoloured_frames;
/* With brackets while the focus is on it. */
gorse_draw_function gorse_draw_focusable;

/* The rest of `kind`; 0 where `of` has 0. */
void gorse_wrapped_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what);
uint8_t gorse_wrapped_tick(gorse *g, const gorse_widget *widget, const gorse_look *look);
uint32_t gorse_wrapped_wait(const gorse *g, const gorse_widget *widget);

static inline const GORSE_ROM gorse_wrapped_kind *gorse_wrapped_kind_of(const gorse_widget *widget) {
    return (const GORSE_ROM gorse_wrapped_kind *)(const GORSE_ROM void *)widget->kind;
}

#ifdef __cplusplus
}
#endif
#endif
