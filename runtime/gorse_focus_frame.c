/* SPDX-License-Identifier: MIT */
/* How a widget shows that the knob and the keys are on it: four corner brackets, a whole frame while it is entered. */
#include "gorse_focus.h"

/* Pixels: the longest arm of a bracket. */
enum { ARM = 7 };

static void bar(const gorse_canvas *c, gorse_coord x0, gorse_coord y0, gorse_coord x1, gorse_coord y1,
                gorse_colour colour) {
    gorse_rect area;
    area.x0 = gorse_min(x0, x1);
    area.x1 = gorse_max(x0, x1);
    area.y0 = gorse_min(y0, y1);
    area.y1 = gorse_max(y0, y1);
    gorse_fill_rect(c, &area, colour);
}

/* Two arms from a corner on; they go the way of their lengths. */
static void corner(const gorse_canvas *c, gorse_coord x, gorse_coord y, gorse_coord across, gorse_coord down,
                   gorse_coord thick, gorse_colour colour) {
    bar(c, x, y, (gorse_coord)(x + across), (gorse_coord)(y + (down < 0 ? -thick : thick)), colour);
    bar(c, x, y, (gorse_coord)(x + (across < 0 ? -thick : thick)), (gorse_coord)(y + down), colour);
}

static GORSE_OWN_FRAME void draw_frame(const gorse_canvas *c, const gorse_widget *widget, gorse_colour colour) {
    const gorse_coord side = gorse_min(widget->w, widget->h);
    const gorse_coord thick = (gorse_coord)(side >= 16 && c->format->bits > 1u ? 2 : 1);
    gorse_coord across = gorse_min(ARM, gorse_max(1, (gorse_coord)(widget->w / 3)));
    gorse_coord down = gorse_min(ARM, gorse_max(1, (gorse_coord)(widget->h / 3)));
    gorse_rect box;
    if ((widget->enabled & GORSE_FOCUS_ENTERED) != 0u) {
        across = widget->w;
        down = widget->h;
    }
    gorse_widget_box(widget, &box);
    corner(c, box.x0, box.y0, across, down, thick, colour);
    corner(c, box.x1, box.y0, (gorse_coord)-across, down, thick, colour);
    corner(c, box.x0, box.y1, across, (gorse_coord)-down, thick, colour);
    corner(c, box.x1, box.y1, (gorse_coord)-across, (gorse_coord)-down, thick, colour);
}

void gorse_draw_focusable(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    /* What shows an opacity has this as its inner one. */
    gorse_wrapped_kind_of(widget)->of->draw(c, widget, look);
    if ((widget->enabled & GORSE_FOCUS_IS_HERE) != 0u)
        draw_frame(c, widget, look->text);
}
