/* SPDX-License-Identifier: MIT */
/* An image that is uncovered by a value, from the value of its origin on; whole, or in parts. */
#include "gorse_progress.h"

static const gorse_widget_pictured_progress *pictured_of(const gorse_widget *widget) {
    return (const gorse_widget_pictured_progress *)(const void *)widget;
}

/* What of the image is between two steps. The image is in the middle of where the bar runs. */
static GORSE_OWN_FRAME void uncover(const gorse_canvas *c, const gorse_widget_pictured_progress *p, const gorse_bar *b,
                                    uint16_t from, uint16_t to, gorse_colour colour) {
    gorse_canvas inside = *c;
    gorse_rect piece;
    if (gorse_bar_piece(&p->bar, b, from, to, &piece) == 0u || gorse_clip(&inside.clip, &piece) == 0u)
        return;
    gorse_draw_image(&inside, p->image,
                     gorse_placed(b->box.x0, b->box.x1, (gorse_coord)p->image->width, GORSE_ALIGN_MIDDLE),
                     gorse_placed(b->box.y0, b->box.y1, (gorse_coord)p->image->height, GORSE_ALIGN_MIDDLE), colour);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_pictured_progress *p = pictured_of(widget);
    gorse_bar b;
    gorse_rect box;
    gorse_reach shown;
    if (p->image == 0) {
        gorse_draw_progress(c, widget, look);
        return;
    }
    gorse_measure_bar(&p->bar, look, &b);
    shown = gorse_shown_reach(c->run, &p->bar.shown, b.steps);
    if (gorse_bar_has_parts(&p->bar) != 0u) {
        const gorse_reach none = {0, 0};
        gorse_draw_parts(c, &p->bar, &b, look, &none);
        for (; shown.from < shown.end; shown.from++)
            uncover(c, p, &b, shown.from, (uint16_t)(shown.from + 1u), look->text);
        return;
    }
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
    uncover(c, p, &b, shown.from, shown.end, look->text);
}

const GORSE_ROM gorse_kind gorse_kind_progress_pictured = {
    sizeof(gorse_widget_pictured_progress), 0, draw, gorse_progress_command, gorse_progress_tick, gorse_wait_for_value};
