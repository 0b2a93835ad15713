/* SPDX-License-Identifier: MIT */
/* Where widgets are that containers hold. */
#include "gorse_container.h"
#include "gorse_pager.h"

/* Farther from the panel than any box that shows. */
enum { FAR = 16000 };

static int16_t within(int32_t at) { return (int16_t)(at < -FAR ? -FAR : at > FAR ? FAR : at); }

/* Clips one axis to a container's box and moves it to where that is. */
static void leave(int16_t *from, int16_t *to, uint8_t clips, int16_t size, int16_t pan, int16_t place) {
    int32_t first = (int32_t)*from - pan, end = (int32_t)*to - pan;
    if (clips != 0u) {
        first = first < 0 ? 0 : first;
        end = end > size ? size : end;
        end = end < first ? first : end;
    }
    *from = within(first + place);
    *to = within(end + place);
}

void gorse_place_held(const gorse *g, uint16_t number, gorse_widget *widget) {
    uint16_t holder = gorse_holder_of(g, number), held = number;
    int32_t x = widget->x, y = widget->y;
    gorse_area *seen;
    if (holder == GORSE_NONE)
        return;
    seen = &gorse_container_state_of(g)->seen;
    seen->x0 = seen->y0 = -FAR;
    seen->x1 = seen->y1 = FAR;
    for (; holder != GORSE_NONE; holder = gorse_holder_of(g, holder)) {
        gorse_widget_group group;
        gorse_read_record(g, holder, &group, sizeof group);
        if ((group.scroll & GORSE_SCROLL_ROUND) != 0u) {
            int16_t *pan = (group.scroll & GORSE_SCROLL_DOWN) != 0u ? &group.pan_y : &group.pan_x;
            *pan = gorse_pan_round(g, &group, held, *pan);
        }
        held = holder;
        leave(&seen->x0, &seen->x1, group.clip, group.widget.w, group.pan_x, group.widget.x);
        leave(&seen->y0, &seen->y1, group.clip, group.widget.h, group.pan_y, group.widget.y);
        x += (int32_t)group.widget.x - group.pan_x;
        y += (int32_t)group.widget.y - group.pan_y;
        if (group.widget.visible == 0u || group.clip == GORSE_CLIP_ALL)
            widget->visible = 0;
        if (group.widget.enabled == 0u)
            widget->enabled = 0;
    }
    widget->x = within(x);
    widget->y = within(y);
}

uint8_t gorse_clip_to_holders(const gorse *g, uint16_t number, gorse_rect *area) {
    const gorse_area *seen;
    gorse_rect left;
    if (gorse_holder_of(g, number) == GORSE_NONE)
        return (uint8_t)(gorse_is_empty(area) == 0u);
    seen = &gorse_container_state_of(g)->seen;
    left.x0 = seen->x0;
    left.y0 = seen->y0;
    left.x1 = seen->x1;
    left.y1 = seen->y1;
    return gorse_clip(area, &left);
}

const GORSE_ROM uint8_t gorse_places_held = 1;
