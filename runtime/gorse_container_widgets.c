/* SPDX-License-Identifier: MIT */
/* How the widgets of a screen are drawn and marked where containers hold some: clipped to these, and the widgets of one
 * that lets something through together. gorse_widgets.c takes the place of this file in scenes without containers. */
#include "gorse_copies.h"
#include "gorse_drawer.h"

/* Containers, one in another: eight, and an empty one in the last. */
enum { LEVELS = 9 };

/* A container whose widgets are drawn now. */
typedef struct level {
    uint16_t number, end;
    uint8_t opacity;
} level;

/* The opacity of a container in an area, and the part of that which it shows in; 0 if nothing that it holds does. */
static GORSE_OWN_FRAME uint8_t shows(const gorse *g, uint16_t number, const gorse_rect *area, gorse_rect *part) {
    gorse_view view;
    gorse_see(g, number, &view);
    *part = *area;
    if (view.widget->visible == 0u || view.widget->opacity == 0u || gorse_clip_to_holders(g, number, part) == 0u)
        return 0;
    if (gorse_group_of(view.widget)->clip == GORSE_CLIP_ALL)
        return 0;
    if (gorse_group_of(view.widget)->clip != 0u) {
        gorse_rect box;
        gorse_widget_box(view.widget, &box);
        if (gorse_clip(part, &box) == 0u)
            return 0;
    }
    return view.widget->opacity;
}

static GORSE_OWN_FRAME void draw_one(gorse_canvas *c, const gorse_rect *area, uint16_t number) {
    gorse_view view;
    gorse_see(c->run, number, &view);
    gorse_widget_box(view.widget, &c->clip);
    if (view.widget->visible != 0u && gorse_clip_to_holders(c->run, number, &c->clip) != 0u &&
        gorse_clip(&c->clip, area) != 0u)
        view.widget->kind->draw(c, view.widget, view.look);
}

/* Mixes what was there before a container over it. */
static GORSE_OWN_FRAME void close_level(gorse_canvas *c, const gorse_rect *area, const level *closed,
                                        uint_fast8_t fades) {
    if (shows(c->run, closed->number, area, &c->clip) != 0u)
        c->run->scene->containers->mix_back(c, gorse_copy_at(c->run, (uint_fast8_t)(fades + 1u)),
                                            gorse_rows_begin(c, area->y0), closed->opacity);
}

/* Draws the rows of an area, of which the copies of all levels fit. */
static void draw_rows(gorse_canvas *c, const gorse_rect *area, const GORSE_ROM gorse_screen *screen) {
    level open[LEVELS];
    uint_fast8_t depth = 0, fades = 0;
    uint16_t i;
    for (i = 0; i <= screen->widget_count; i++) {
        const GORSE_ROM gorse_widget_group *group;
        while (depth != 0u && open[depth - 1u].end == i) {
            depth--;
            gorse_draw_bars(c, area, open[depth].number);
            if (open[depth].opacity != 255u) {
                fades--;
                close_level(c, area, &open[depth], fades);
            }
        }
        if (i == screen->widget_count)
            break;
        group = (const GORSE_ROM gorse_widget_group *)(const GORSE_ROM void *)screen->widgets[i];
        if ((group->widget.kind->flags & GORSE_KIND_HOLDS) != 0u) {
            gorse_rect part;
            GORSE_ASSERT(depth < LEVELS);
            gorse_draw_shade(c, area, i);
            open[depth].number = i;
            open[depth].end = group->end;
            open[depth].opacity = shows(c->run, i, area, &part);
            if (open[depth].opacity == 0u) {
                i = (uint16_t)(group->end - 1u);
                continue;
            }
            if (open[depth].opacity != 255u) {
                fades++;
                gorse_copy_rows(c, area->y0, area->y1, gorse_copy_at(c->run, fades));
            }
            depth++;
        }
        draw_one(c, area, i);
    }
}

/* 1 if a container that lets something through shows in an area. */
static uint8_t any_fades(const gorse *g, const gorse_rect *area) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    gorse_rect part;
    uint16_t i;
    if (g->scene->containers == 0 || g->scene->containers->fades == 0u)
        return 0;
    for (i = 0; i < screen->widget_count; i++)
        if ((screen->widgets[i]->kind->flags & GORSE_KIND_HOLDS) != 0u) {
            const uint8_t opacity = shows(g, i, area, &part);
            if (opacity != 0u && opacity != 255u)
                return 1;
        }
    return 0;
}

GORSE_OWN_FRAME void gorse_draw_screen(gorse_canvas *c, const gorse_rect *area, const GORSE_ROM gorse_screen *screen) {
    gorse_rect part = *area;
    gorse_fill_rect(c, area, screen->background);
    if (any_fades(c->run, area) == 0u) {
        draw_rows(c, area, screen);
        return;
    }
    for (; part.y0 < area->y1; part.y0 = part.y1) {
        part.y1 = gorse_rows_end(c, part.y0, area->y1);
        draw_rows(c, &part, screen);
    }
}

/* Returns 1 if it is a container of which more than its box may show. */
static GORSE_OWN_FRAME uint8_t mark(gorse *g, uint16_t widget) {
    gorse_rect box;
    gorse_view view;
    gorse_see(g, widget, &view);
    if (view.widget->visible == 0u)
        return 0;
    gorse_widget_box(view.widget, &box);
    if (gorse_clip_to_holders(g, widget, &box) != 0u)
        gorse_dirty(g, &box);
    return (uint8_t)((view.widget->kind->flags & GORSE_KIND_HOLDS) != 0u && gorse_group_of(view.widget)->clip == 0u);
}

void gorse_dirty_number(gorse *g, uint16_t widget) {
    const GORSE_ROM gorse_widget_group *group;
    uint16_t i;
    if (mark(g, widget) == 0u)
        return;
    group = (const GORSE_ROM gorse_widget_group *)(const GORSE_ROM void *)gorse_shown(g)->widgets[widget];
    for (i = (uint16_t)(widget + 1u); i < group->end; i++)
        (void)mark(g, i);
}

void gorse_draw_container(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_rect box;
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
}

const GORSE_ROM uint8_t gorse_draws_held = 1;
