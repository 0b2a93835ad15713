/* SPDX-License-Identifier: MIT */
#include "gorse_internal.h"

void gorse_draw_frames(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_frames *f = (const gorse_widget_frames *)(const void *)widget;
    gorse_draw_image_box(c, widget, look, gorse_shown_frame(c->run, widget), f->align, f->place);
}

const GORSE_ROM gorse_kind gorse_kind_frames = {
    sizeof(gorse_widget_frames), 0, gorse_draw_frames, gorse_frames_command, gorse_frames_tick, gorse_frames_wait};
