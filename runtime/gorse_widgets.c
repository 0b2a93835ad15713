/* SPDX-License-Identifier: MIT */
/* How the widgets of a screen are drawn and marked, in scenes without containers: gorse_container_widgets.c takes the
 * place of this file in others. */
#include "gorse_internal.h"

GORSE_REPLACEABLE GORSE_OWN_FRAME void gorse_draw_screen(gorse_canvas *c, const gorse_rect *area,
                                                         const GORSE_ROM gorse_screen *screen) {
    uint16_t i;
    gorse_fill_rect(c, area, screen->background);
    for (i = 0; i < screen->widget_count; i++) {
        gorse_view view;
        const GORSE_ROM gorse_widget *from = screen->widgets[i];
        /* Most widgets are not in a strip: what no rule can move is left out before it is looked at. */
        if (from->slot_count == 0u && (from->y >= area->y1 || (int32_t)from->y + from->h <= area->y0))
            continue;
        gorse_see(c->run, i, &view);
        gorse_widget_box(view.widget, &c->clip);
        if (view.widget->visible != 0u && gorse_clip(&c->clip, area) != 0u)
            view.widget->kind->draw(c, view.widget, view.look);
    }
}

GORSE_REPLACEABLE void gorse_dirty_number(gorse *g, uint16_t widget) {
    gorse_view view;
    gorse_see(g, widget, &view);
    gorse_dirty_widget(g, view.widget);
}
