/* SPDX-License-Identifier: MIT */
#include "gorse_image.h"
#include "gorse_internal.h"

void gorse_draw_mirrored_frames(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_frames *f = (const gorse_widget_frames *)(const void *)widget;
    const GORSE_ROM gorse_image *frame = gorse_shown_frame(c->run, widget);
    gorse_rect box;
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
    gorse_shrink(&box, (gorse_coord)(look->border_width + look->padding));
    if (frame != 0)
        gorse_draw_mirrored_image(c, frame, gorse_placed(box.x0, box.x1, (gorse_coord)frame->width, f->align),
                                  gorse_placed(box.y0, box.y1, (gorse_coord)frame->height, f->place), f->mirror,
                                  look->text);
}

const GORSE_ROM gorse_kind gorse_kind_frames_mirrored = {sizeof(gorse_widget_frames), 0,
                                                         gorse_draw_mirrored_frames,  gorse_frames_command,
                                                         gorse_frames_tick,           gorse_frames_wait};
