/* SPDX-License-Identifier: MIT */
/* How a finger moves what a container holds: it follows the finger, goes on when that is lifted, and stops softly at
 * its ends. One container moves at a time. */
#include "gorse_control.h"
#include "gorse_drawer.h"
#include "gorse_list.h"
#include "gorse_pager.h"
#include "gorse_scroll.h"

enum {
    BAR_GAP = 2,     /* px between a bar and the edges of its container */
    BAR_BREADTH = 3, /* px */
    BAR_LEAST = 8    /* px: the shortest */
};

/* In a program with another interface this one may have none that scroll. */
static uint8_t scrolls(const gorse *g) {
    return (uint8_t)(g->scene->containers != 0 && g->scene->containers->scrolls != 0u);
}

/* Where a widget is on the panel; 0 if it is hidden. */
static GORSE_OWN_FRAME uint8_t box_of(const gorse *g, uint16_t number, gorse_rect *box) {
    gorse_view view;
    gorse_see(g, number, &view);
    gorse_widget_box(view.widget, box);
    return view.widget->visible;
}

/* The same of what its containers leave of it; 0 if that is nothing. */
static uint8_t seen_box_of(const gorse *g, uint16_t number, gorse_rect *box) {
    return (uint8_t)(box_of(g, number, box) != 0u && gorse_clip_to_holders(g, number, box) != 0u);
}

static uint8_t is_seen_at(const gorse *g, uint16_t number, gorse_coord x, gorse_coord y) {
    gorse_rect box;
    return (uint8_t)(seen_box_of(g, number, &box) != 0u && x >= box.x0 && x < box.x1 && y >= box.y0 && y < box.y1);
}

static uint8_t flags_of(const gorse *g, uint16_t number) { return gorse_shown(g)->widgets[number]->kind->flags; }

uint8_t gorse_scroll_range(const gorse *g, uint16_t number, int32_t most[2]) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    gorse_widget_group group;
    uint16_t i;
    most[0] = most[1] = 0;
    if ((flags_of(g, number) & GORSE_KIND_LISTS) != 0u) {
        most[1] = gorse_list_way(g, number);
        return GORSE_SCROLL_DOWN;
    }
    gorse_read_record(g, number, &group, sizeof group);
    for (i = (uint16_t)(number + 1u); i < group.end;) {
        gorse_widget held;
        gorse_read_record(g, i, &held, sizeof held);
        if (held.visible != 0u) {
            const int32_t across = (int32_t)held.x + held.w - group.widget.w;
            const int32_t down = (int32_t)held.y + held.h - group.widget.h;
            most[0] = across > most[0] ? across : most[0];
            most[1] = down > most[1] ? down : most[1];
        }
        i = gorse_end_of(screen, i);
    }
    return group.scroll;
}

uint8_t gorse_set_field(gorse *g, uint16_t number, uint8_t offset, int32_t value) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    const GORSE_ROM gorse_widget *from = screen->widgets[number];
    uint8_t i;
    for (i = 0; i < from->slot_count; i++) {
        const uint16_t at = (uint16_t)(from->first_slot + i), slot = (uint16_t)(screen->first_slot + at);
        const uint8_t size = screen->slots[at].size;
        if (screen->slots[at].offset != offset || (size != 1u && size != 2u && size != 4u) ||
            gorse_slots(g)[slot] == value)
            continue;
        gorse_set_slot(g, slot, gorse_head_of(g)->screen, value);
        if (g->scene->follow_count != 0u)
            gorse_mark_slot(g, slot);
        return 1;
    }
    return 0;
}

uint8_t gorse_set_pan(gorse *g, uint16_t number, uint8_t axis, int32_t pan) {
    uint8_t field =
        axis == 0u ? (uint8_t)offsetof(gorse_widget_group, pan_x) : (uint8_t)offsetof(gorse_widget_group, pan_y);
    if ((flags_of(g, number) & GORSE_KIND_LISTS) != 0u)
        field = (uint8_t)offsetof(gorse_widget_list, pan);
    return gorse_set_field(g, number, field, pan);
}

/* Its pan on both axes; the ways in which the finger moves what it holds. */
static GORSE_OWN_FRAME uint8_t read_pan(const gorse *g, uint16_t number, int32_t pan[2]) {
    gorse_widget_group group;
    gorse_record record;
    if ((flags_of(g, number) & GORSE_KIND_LISTS) != 0u) {
        gorse_read_record(g, number, &record, sizeof record.list);
        pan[0] = 0;
        pan[1] = record.list.pan;
        return GORSE_SCROLL_DOWN;
    }
    gorse_read_record(g, number, &group, sizeof group);
    pan[0] = group.pan_x;
    pan[1] = group.pan_y;
    return group.scroll;
}

/* What a container does itself once the finger has let go of it: a pager or a drawer. */
static uint8_t own_of(const gorse *g, uint16_t number) {
    const GORSE_ROM gorse_widget_group *group =
        (const GORSE_ROM gorse_widget_group *)(const GORSE_ROM void *)gorse_shown(g)->widgets[number];
    if ((group->widget.kind->flags & GORSE_KIND_HOLDS) == 0u)
        return 0;
    return group->scroll & (GORSE_SCROLL_PAGES | GORSE_SCROLL_ROUND | GORSE_SCROLL_DRAWER);
}

void gorse_show_scroll(gorse *g) {
    const gorse_scroller *scroller = gorse_scroller_of(g);
    uint8_t moved = 0, axis;
    for (axis = 0; axis < 2u; axis++)
        if ((scroller->ways & (1u << axis)) != 0u)
            moved = (uint8_t)(moved | gorse_set_pan(g, scroller->widget, axis, scroller->at[axis] / 256));
    if (moved != 0u)
        gorse_event(g, GORSE_EVENT_SCROLL, scroller->widget);
}

/* Where the finger has it: beyond its ends it follows half as far. */
static void follow_finger(gorse *g) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    const gorse_finger *finger = gorse_finger_of(g);
    const int16_t now[2] = {finger->x, finger->y};
    const uint8_t own = own_of(g, scroller->widget);
    int32_t most[2];
    uint8_t axis;
    if ((own & GORSE_SCROLL_DRAWER) != 0u) {
        gorse_pull_drawer(g);
        return;
    }
    (void)gorse_scroll_range(g, scroller->widget, most);
    for (axis = 0; axis < 2u; axis++) {
        int32_t pan = scroller->from[axis] + scroller->finger[axis] - now[axis];
        if (pan < 0 && (own & GORSE_SCROLL_ROUND) == 0u)
            pan /= 2;
        if (pan > most[axis] && (own & GORSE_SCROLL_ROUND) == 0u)
            pan = most[axis] + (pan - most[axis]) / 2;
        scroller->at[axis] = pan * 256;
    }
    gorse_show_scroll(g);
}

/* One that moves stops within its range. */
static void settle(gorse *g) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    int32_t most[2];
    uint8_t axis;
    if (scroller->doing == GORSE_SCROLLER_RESTS)
        return;
    if (own_of(g, scroller->widget) != 0u) {
        scroller->doing = GORSE_SCROLLER_RESTS;
        return;
    }
    (void)gorse_scroll_range(g, scroller->widget, most);
    for (axis = 0; axis < 2u; axis++) {
        if (scroller->at[axis] < 0)
            scroller->at[axis] = 0;
        if (scroller->at[axis] > most[axis] * 256)
            scroller->at[axis] = most[axis] * 256;
    }
    gorse_show_scroll(g);
    scroller->doing = GORSE_SCROLLER_RESTS;
    gorse_dirty_number(g, scroller->widget);
}

/* The finger takes a container that it moves these ways. */
static void take(gorse *g, uint16_t number, uint8_t ways) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    gorse_finger *finger = gorse_finger_of(g);
    if (scroller->widget != number)
        settle(g);
    scroller->widget = number;
    scroller->ways = ways;
    scroller->doing = GORSE_SCROLLER_HELD;
    scroller->since = gorse_head_of(g)->now;
    scroller->speed[0] = scroller->speed[1] = 0;
    if ((read_pan(g, number, scroller->from) & GORSE_SCROLL_DRAWER) != 0u)
        scroller->from[0] = scroller->from[1] = gorse_drawer_out(g, number);
    scroller->at[0] = scroller->from[0] * 256;
    scroller->at[1] = scroller->from[1] * 256;
    scroller->finger[0] = finger->x;
    scroller->finger[1] = finger->y;
    finger->flags = GORSE_FINGER_SCROLLS;
    /* Its bars show from now on. */
    gorse_dirty_number(g, number);
}

/* The innermost container, from one widget on outwards, that can be moved one way; GORSE_NONE if there is none. */
static uint16_t scrolling_from(const gorse *g, uint16_t widget, uint8_t way) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    for (; widget != GORSE_NONE; widget = gorse_holder_of(g, widget)) {
        int32_t most[2];
        if ((screen->widgets[widget]->kind->flags & (GORSE_KIND_HOLDS | GORSE_KIND_LISTS)) != 0u &&
            (own_of(g, widget) & GORSE_SCROLL_DRAWER) == 0u && (gorse_scroll_range(g, widget, most) & way) != 0u &&
            most[way == GORSE_SCROLL_ACROSS ? 0 : 1] > 0)
            return widget;
    }
    return GORSE_NONE;
}

/* The one that a finger moves that came down at x, y. */
static uint16_t scrolling_at(const gorse *g, gorse_coord x, gorse_coord y, uint8_t way) {
    uint16_t i = gorse_shown(g)->widget_count;
    if (gorse_head_of(g)->pressed != GORSE_NONE)
        return scrolling_from(g, gorse_head_of(g)->pressed, way);
    while (i-- != 0u) {
        const uint16_t found = is_seen_at(g, i, x, y) != 0u ? scrolling_from(g, i, way) : (uint16_t)GORSE_NONE;
        if (found != GORSE_NONE)
            return found;
    }
    return GORSE_NONE;
}

/* A finger stops what coasts, and has it. */
uint8_t gorse_press_scrolling(gorse *g) {
    const gorse_scroller *scroller;
    const gorse_finger *finger;
    if (scrolls(g) == 0u)
        return 0;
    scroller = gorse_scroller_of(g);
    finger = gorse_finger_of(g);
    if (scroller->doing != GORSE_SCROLLER_COASTS || is_seen_at(g, scroller->widget, finger->x, finger->y) == 0u)
        return 0;
    take(g, scroller->widget, scroller->ways);
    return 1;
}

uint8_t gorse_move_scrolling(gorse *g) {
    const gorse_finger *finger = gorse_finger_of(g);
    const int32_t across = (int32_t)finger->x - finger->from_x, down = (int32_t)finger->y - finger->from_y;
    const int32_t far_across = across < 0 ? -across : across, far_down = down < 0 ? -down : down;
    const uint8_t way = far_across > far_down ? GORSE_SCROLL_ACROSS : GORSE_SCROLL_DOWN;
    int32_t most[2];
    uint16_t taken, drawer;
    if (scrolls(g) == 0u)
        return 0;
    if (gorse_scroller_of(g)->doing == GORSE_SCROLLER_HELD) {
        follow_finger(g);
        return 1;
    }
    /* A control that follows the finger keeps it. */
    if ((finger->flags & GORSE_FINGER_FRESH) == 0u || finger->memory != GORSE_NONE ||
        (far_across < g->scene->containers->scrolls && far_down < g->scene->containers->scrolls))
        return 0;
    taken = scrolling_at(g, finger->from_x, finger->from_y, way);
    drawer = gorse_drawer_at(g, way);
    /* What scrolls in an open drawer does so. */
    if (drawer != GORSE_NONE && (taken == GORSE_NONE || taken < drawer || gorse_drawer_out(g, drawer) != 0))
        taken = drawer;
    if (taken == GORSE_NONE || taken < gorse_first_open(g))
        return 0;
    gorse_lose_finger(g);
    take(g, taken, gorse_scroll_range(g, taken, most) & (GORSE_SCROLL_ACROSS | GORSE_SCROLL_DOWN));
    return 1;
}

void gorse_release_scrolling(gorse *g) {
    gorse_scroller *scroller;
    if (scrolls(g) == 0u)
        return;
    scroller = gorse_scroller_of(g);
    if (scroller->doing != GORSE_SCROLLER_HELD)
        return;
    scroller->doing = GORSE_SCROLLER_COASTS;
    scroller->since = gorse_head_of(g)->now;
}

/* By how much what lies from `from` to `to` is to be moved back, so that as much as possible of it, its beginning
 * first, lies between two edges. */
static int16_t out_of_sight(gorse_coord from, gorse_coord to, gorse_coord first, gorse_coord end) {
    if (from < first)
        return (int16_t)(from - first);
    return (int16_t)(to > end ? gorse_min((gorse_coord)(to - end), (gorse_coord)(from - first)) : 0);
}

void gorse_reveal(gorse *g, uint16_t number) {
    uint16_t holder, page = number;
    for (holder = gorse_holder_of(g, number); holder != GORSE_NONE; holder = gorse_holder_of(g, holder)) {
        gorse_rect box, around;
        gorse_widget_group group;
        gorse_read_record(g, holder, &group, sizeof group);
        if ((group.scroll & GORSE_SCROLL_PAGES) != 0u)
            gorse_show_page(g, holder, page);
        page = holder;
        if ((group.scroll & (GORSE_SCROLL_ACROSS | GORSE_SCROLL_DOWN)) == 0u || own_of(g, holder) != 0u)
            continue;
        if (gorse_scroller_of(g)->widget == holder)
            settle(g);
        gorse_read_record(g, holder, &group, sizeof group);
        (void)box_of(g, number, &box);
        (void)box_of(g, holder, &around);
        (void)gorse_set_pan(g, holder, 0, group.pan_x + out_of_sight(box.x0, box.x1, around.x0, around.x1));
        (void)gorse_set_pan(g, holder, 1, group.pan_y + out_of_sight(box.y0, box.y1, around.y0, around.y1));
    }
}

/* That of texts, so that it stands out, but lets something through. */
static gorse_colour bar_colour(const gorse_widget *group) { return (group->look->text & 0x00ffffffu) | 0xa0000000u; }

/* The bar of one axis lies at the far edge of the other one. */
static void draw_bar(const gorse_canvas *c, const gorse_rect *box, uint8_t axis, int32_t pan, int32_t most,
                     gorse_colour colour) {
    const gorse_coord from = axis == 0u ? box->x0 : box->y0, to = axis == 0u ? box->x1 : box->y1;
    const int32_t room = (int32_t)to - from - 2 * BAR_GAP;
    int32_t length = room * (to - from) / ((int32_t)(to - from) + most), begin;
    /* Products fit 32 bits. */
    for (; most > 0x7fff; most /= 2)
        pan /= 2;
    gorse_rect bar = *box;
    if (room < BAR_LEAST || most <= 0)
        return;
    length = length < BAR_LEAST ? BAR_LEAST : length;
    begin = pan < 0 ? 0 : pan > most ? room - length : (room - length) * pan / most;
    if (axis == 0u) {
        bar.x0 = (gorse_coord)(from + BAR_GAP + begin);
        bar.x1 = (gorse_coord)(bar.x0 + length);
        bar.y1 = (gorse_coord)(bar.y1 - BAR_GAP);
        bar.y0 = (gorse_coord)(bar.y1 - BAR_BREADTH);
    } else {
        bar.y0 = (gorse_coord)(from + BAR_GAP + begin);
        bar.y1 = (gorse_coord)(bar.y0 + length);
        bar.x1 = (gorse_coord)(bar.x1 - BAR_GAP);
        bar.x0 = (gorse_coord)(bar.x1 - BAR_BREADTH);
    }
    gorse_fill_rect(c, &bar, colour);
}

int32_t gorse_slid(const gorse *g, uint32_t since, uint16_t ms, int32_t from, int32_t to) {
    const uint32_t passed = gorse_head_of(g)->now - since;
    int32_t left;
    if (passed >= ms)
        return to;
    left = 256 - (int32_t)(passed * 256u / ms);
    return to + (from - to) * (left * left / 256) / 256;
}

void gorse_draw_list_bar(const gorse_canvas *c, uint16_t number, const gorse_widget_list *list) {
    const gorse_scroller *scroller;
    gorse_rect box;
    if (scrolls(c->run) == 0u)
        return;
    scroller = gorse_scroller_of(c->run);
    if (scroller->doing == GORSE_SCROLLER_RESTS || scroller->widget != number)
        return;
    gorse_widget_box(&list->label.widget, &box);
    draw_bar(c, &box, 1, list->pan, gorse_list_way(c->run, number), bar_colour(&list->label.widget));
}

void gorse_draw_bars(gorse_canvas *c, const gorse_rect *area, uint16_t number) {
    const gorse *g = c->run;
    const gorse_scroller *scroller;
    gorse_rect box;
    gorse_widget_group group;
    int32_t most[2];
    if (scrolls(g) == 0u)
        return;
    if ((own_of(g, number) & GORSE_SCROLL_PAGES) != 0u)
        gorse_draw_marks(c, area, number);
    scroller = gorse_scroller_of(g);
    if (scroller->doing == GORSE_SCROLLER_RESTS || scroller->widget != number || own_of(g, number) != 0u)
        return;
    (void)box_of(g, number, &box);
    if (seen_box_of(g, number, &c->clip) == 0u || gorse_clip(&c->clip, area) == 0u)
        return;
    (void)gorse_scroll_range(g, number, most);
    gorse_read_record(g, number, &group, sizeof group);
    if ((group.scroll & GORSE_SCROLL_ACROSS) != 0u)
        draw_bar(c, &box, 0, group.pan_x, most[0], bar_colour(&group.widget));
    if ((group.scroll & GORSE_SCROLL_DOWN) != 0u)
        draw_bar(c, &box, 1, group.pan_y, most[1], bar_colour(&group.widget));
}
