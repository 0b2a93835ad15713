/* SPDX-License-Identifier: MIT */
/* A box with border and square corners, instead of gorse_box.c where nothing has round ones. */
#include "gorse_draw.h"

GORSE_REPLACEABLE void gorse_draw_box(const gorse_canvas *c, const gorse_rect *box, const gorse_look *look) {
    gorse_rect part = *box;
    const gorse_coord size = gorse_min((gorse_coord)(box->x1 - box->x0), (gorse_coord)(box->y1 - box->y0));
    const gorse_coord width = gorse_min(look->border_width, (gorse_coord)(size / 2));
    if (size <= 0)
        return;
    /* Top, bottom, left, right. */
    if (width != 0) {
        part.y1 = (gorse_coord)(box->y0 + width);
        gorse_fill_rect(c, &part, look->border);
        part.y0 = (gorse_coord)(box->y1 - width);
        part.y1 = box->y1;
        gorse_fill_rect(c, &part, look->border);
        part.y1 = part.y0;
        part.y0 = (gorse_coord)(box->y0 + width);
        part.x1 = (gorse_coord)(box->x0 + width);
        gorse_fill_rect(c, &part, look->border);
        part.x0 = (gorse_coord)(box->x1 - width);
        part.x1 = box->x1;
        gorse_fill_rect(c, &part, look->border);
        part.x1 = part.x0;
        part.x0 = (gorse_coord)(box->x0 + width);
    }
    gorse_fill_rect(c, &part, look->fill);
}
