/* SPDX-License-Identifier: MIT */
/* What the files share that know of containers. */
#ifndef GORSE_CONTAINER_H
#define GORSE_CONTAINER_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

typedef struct gorse_container_state {
    gorse_area seen; /* the part of the panel that the containers of the widget which gorse_see read last leave it */
} gorse_container_state;

static inline gorse_container_state *gorse_container_state_of(const gorse *g) {
    return (gorse_container_state *)(void *)gorse_behind_head(g, g->scene->containers->state_at);
}

/* The container of a widget of the shown screen; GORSE_NONE without one. */
static inline uint16_t gorse_holder_of(const gorse *g, uint16_t widget) {
    const GORSE_ROM gorse_containers *containers = g->scene->containers;
    const GORSE_ROM uint16_t *holders;
    if (containers == 0)
        return GORSE_NONE;
    holders = containers->holders[gorse_head_of(g)->screen];
    return holders == 0 ? (uint16_t)GORSE_NONE : holders[widget];
}

/* Moves the record of widget `number` to where it is on the panel. In a container that is hidden it is hidden, in one
 * that is disabled it is disabled. Leaves in the state which part of the panel its containers let it show in. */
void gorse_place_held(const gorse *g, uint16_t number, gorse_widget *widget);
/* Clips an area to what the containers of widget `number`, which gorse_see read last, leave it; 0 if that is nothing.
 */
uint8_t gorse_clip_to_holders(const gorse *g, uint16_t number, gorse_rect *area);

/* The number behind a widget and what it holds. */
static inline uint16_t gorse_end_of(const GORSE_ROM gorse_screen *screen, uint16_t number) {
    const GORSE_ROM gorse_widget_group *group =
        (const GORSE_ROM gorse_widget_group *)(const GORSE_ROM void *)screen->widgets[number];
    return (group->widget.kind->flags & GORSE_KIND_HOLDS) != 0u ? group->end : (uint16_t)(number + 1u);
}

/* Copies the first `bytes` of a record of the shown screen with what rules changed in them laid over: where it is in
 * its container, whatever that does. */
void gorse_read_record(const gorse *g, uint16_t number, void *out, uint8_t bytes);

/* gorse_kind.draw of containers: a box. */
void gorse_draw_container(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);

/* The widget as a container; its kind must have GORSE_KIND_HOLDS. */
static inline const gorse_widget_group *gorse_group_of(const gorse_widget *widget) {
    return (const gorse_widget_group *)(const void *)widget;
}

#ifdef __cplusplus
}
#endif
#endif
