/* SPDX-License-Identifier: MIT */
/* Images and frames with an entry of their palette in another colour. */
#include "gorse_wrapped.h"

#include "gorse_internal.h"

static void draw_recoloured(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look, int16_t entry,
                            gorse_colour colour) {
    gorse_canvas with = *c;
    gorse_exchange exchange;
    exchange.entry = entry;
    exchange.colour = colour;
    with.exchange = &exchange;
    gorse_wrapped_kind_of(widget)->of->draw(&with, widget, look);
}

void gorse_draw_recoloured_image(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_image *image = (const gorse_widget_image *)(const void *)widget;
    draw_recoloured(c, widget, look, image->entry, image->exchanged);
}

void gorse_draw_recoloured_frames(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_frames *frames = (const gorse_widget_frames *)(const void *)widget;
    draw_recoloured(c, widget, look, frames->entry, frames->exchanged);
}
