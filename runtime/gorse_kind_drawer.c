/* SPDX-License-Identifier: MIT */
/* A container that comes in from an edge, by a rule, its variable or a finger, and goes back. */
#include "gorse_control.h"
#include "gorse_drawer.h"
#include "gorse_focus.h"

enum {
    FLICK = 200,    /* speed of the finger, 1/256 px in 8 ms, that opens or closes it from anywhere */
    FRAME = 16,     /* ms until it is to be drawn again */
    SHADE_PARTS = 4 /* its shade comes in so many steps, as each draws all that is below it anew */
};

/* A drawer of the shown screen. */
typedef struct drawer {
    gorse_widget_drawer now; /* where it is in what holds it */
    gorse_drawer_state state;
    uint16_t number;
    int16_t way;  /* pixels from where it is open to where it is closed */
    int16_t home; /* where it begins when it is open, along its way */
    uint8_t axis; /* 0: across, 1: down */
    uint8_t back; /* 1: it closes to the left or up */
} drawer;

static void read(const gorse *g, uint16_t number, drawer *d) {
    const GORSE_ROM gorse_widget *from = gorse_shown(g)->widgets[number];
    const uint16_t holder = gorse_holder_of(g, number);
    int16_t room, size;
    gorse_read_record(g, number, &d->now, sizeof d->now);
    memcpy(&d->state, gorse_widget_state(g, &d->now.group.widget), sizeof d->state);
    d->number = number;
    d->axis = (uint8_t)(d->now.edge & 1u);
    d->back = (uint8_t)(d->now.edge < GORSE_EDGE_RIGHT);
    d->home = d->axis != 0u ? from->y : from->x;
    size = d->axis != 0u ? d->now.group.widget.h : d->now.group.widget.w;
    room = (int16_t)(d->axis != 0u ? g->scene->panel->height : g->scene->panel->width);
    if (holder != GORSE_NONE) {
        gorse_widget around;
        gorse_read_record(g, holder, &around, sizeof around);
        room = d->axis != 0u ? around.h : around.w;
    }
    d->way = (int16_t)gorse_max(1, (gorse_coord)(d->back != 0u ? d->home + size : room - d->home));
}

static void store(gorse *g, const drawer *d) {
    memcpy(gorse_widget_state(g, &d->now.group.widget), &d->state, sizeof d->state);
}

static uint8_t is_drawer(const gorse *g, uint16_t number) {
    return (uint8_t)(gorse_shown(g)->widgets[number]->kind == &gorse_kind_drawer);
}

/* 1 if it, and what holds it, is visible; its part of the panel is known then. */
static GORSE_OWN_FRAME uint8_t is_shown(const gorse *g, uint16_t number) {
    gorse_view view;
    gorse_see(g, number, &view);
    return view.widget->visible;
}

/* Puts it where it is closed by so many pixels. */
static void place(gorse *g, drawer *d, int32_t out) {
    const uint8_t at = d->axis != 0u ? (uint8_t)offsetof(gorse_widget, y) : (uint8_t)offsetof(gorse_widget, x);
    const uint8_t closed = (uint8_t)(out >= d->way);
    const int32_t part = closed != 0u ? 0 : 1 + (d->way - out) * (SHADE_PARTS - 1) / d->way;
    uint8_t shade = (uint8_t)((d->now.shade * part + SHADE_PARTS - 1) / SHADE_PARTS);
    if (is_shown(g, d->number) == 0u)
        shade = 0;
    /* Its shade may lie on all of the panel. */
    if (shade != d->state.shade)
        gorse_redraw(g);
    d->state.shade = shade;
    d->state.out = (int16_t)out;
    store(g, d);
    (void)gorse_set_field(g, d->number, at, d->back != 0u ? d->home - out : d->home + out);
    (void)gorse_set_field(g, d->number, (uint8_t)offsetof(gorse_widget_group, clip),
                          closed != 0u ? GORSE_CLIP_ALL : GORSE_CLIP_BOX);
}

static uint8_t is_wanted(const gorse *g, const drawer *d) {
    return d->now.variable != GORSE_NONE ? (uint8_t)(gorse_number(g, d->now.variable) != 0) : d->state.open;
}

/* The focus comes back to where it was before it went into a drawer that kept it from the rest. */
static void move_focus(gorse *g, drawer *d, uint8_t open) {
    if (g->scene->controls->has_focus == 0u || d->now.shade == 0u)
        return;
    if (open != 0u)
        d->state.focus = gorse_focus_of(g)->widget;
    else if (d->state.focus != GORSE_NONE)
        gorse_remembered_focus(g)[gorse_head_of(g)->screen] = d->state.focus;
}

/* It is open from now on, or closed, wherever it is. */
static void begin(gorse *g, drawer *d, uint8_t open) {
    const uint8_t before = d->state.open;
    if (before == 0u && open != 0u)
        move_focus(g, d, 1);
    d->state.open = open;
    d->state.from = d->state.out;
    d->state.since = gorse_head_of(g)->now;
    d->state.slides = 1;
    store(g, d);
    if (before != open)
        gorse_event(g, open != 0u ? GORSE_EVENT_OPEN : GORSE_EVENT_CLOSE, d->number);
}

/* The same by a person or a command, which its variable follows. */
static void set_open(gorse *g, uint16_t number, uint8_t open) {
    drawer d;
    read(g, number, &d);
    begin(g, &d, open);
    if (is_wanted(g, &d) != open)
        gorse_set_by_control(g, number, d.now.variable, open);
}

static void go_on(gorse *g, drawer *d) {
    const int32_t to = d->state.open != 0u ? 0 : d->way;
    if (gorse_head_of(g)->now - d->state.since >= d->now.slide) {
        d->state.slides = 0;
        if (d->state.open == 0u)
            move_focus(g, d, 0);
    }
    place(g, d, gorse_slid(g, d->state.since, d->now.slide, d->state.from, to));
}

/* The finger let go of it: it goes on by its speed, else where it is nearer to. */
static void let_go(gorse *g, const drawer *d) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    const int32_t speed = d->back != 0u ? scroller->speed[d->axis] : -(int32_t)scroller->speed[d->axis];
    uint8_t open = (uint8_t)(d->state.out * 2 < d->way);
    if (speed > FLICK || speed < -FLICK)
        open = (uint8_t)(speed < 0);
    scroller->doing = GORSE_SCROLLER_RESTS;
    set_open(g, d->number, open);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_scroller *scroller = gorse_scroller_of(g);
    drawer d;
    (void)look;
    read(g, gorse_control_number(g, widget), &d);
    if (scroller->widget == d.number && scroller->doing == GORSE_SCROLLER_HELD)
        return 0;
    if (scroller->widget == d.number && scroller->doing == GORSE_SCROLLER_COASTS) {
        let_go(g, &d);
        return 0;
    }
    if (is_wanted(g, &d) != d.state.open)
        begin(g, &d, (uint8_t)(d.state.open == 0u));
    /* What is closed stays so, whatever size it has. */
    if (d.state.slides == 0u && d.state.open == 0u && d.now.group.clip == GORSE_CLIP_ALL && d.state.out != d.way)
        place(g, &d, d.way);
    /* One that another container was taken from goes on, too. */
    if (d.state.slides == 0u && d.state.out != (d.state.open != 0u ? 0 : d.way))
        begin(g, &d, d.state.open);
    if (d.state.slides != 0u)
        go_on(g, &d);
    else
        place(g, &d, d.state.out);
    return 0;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    gorse_drawer_state state;
    memcpy(&state, gorse_widget_state(g, widget), sizeof state);
    return state.slides != 0u ? FRAME : GORSE_FOREVER;
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    const uint16_t number = gorse_control_number(g, widget);
    drawer d;
    (void)look;
    if (what == GORSE_COMMAND_ENTER) {
        read(g, number, &d);
        memset(&d.state, 0, sizeof d.state);
        d.state.focus = GORSE_NONE;
        d.state.open = is_wanted(g, &d);
        place(g, &d, d.state.open != 0u ? 0 : d.way);
    }
    if (what == GORSE_COMMAND_OPEN || what == GORSE_COMMAND_CLOSE)
        set_open(g, number, (uint8_t)(what == GORSE_COMMAND_OPEN));
}

/* The uppermost open drawer that keeps touches from the rest, or GORSE_NONE. */
static uint16_t barring(const gorse *g) {
    uint16_t i;
    for (i = gorse_shown(g)->widget_count; i-- != 0u;) {
        drawer d;
        if (is_drawer(g, i) == 0u)
            continue;
        read(g, i, &d);
        if (d.state.shade != 0u && d.state.open != 0u && d.now.group.widget.visible != 0u)
            return i;
    }
    return GORSE_NONE;
}

uint16_t gorse_first_open(const gorse *g) {
    const uint16_t number = barring(g);
    return number == GORSE_NONE ? (uint16_t)0 : number;
}

static GORSE_OWN_FRAME uint8_t is_in(const gorse *g, uint16_t number, gorse_coord x, gorse_coord y) {
    gorse_view view;
    gorse_rect box;
    gorse_see(g, number, &view);
    gorse_widget_box(view.widget, &box);
    return (uint8_t)(x >= box.x0 && x < box.x1 && y >= box.y0 && y < box.y1);
}

void gorse_touch_shade(gorse *g, gorse_coord x, gorse_coord y) {
    const uint16_t number = barring(g);
    if (number != GORSE_NONE && is_in(g, number, x, y) == 0u)
        set_open(g, number, 0);
}

uint8_t gorse_close_drawer(gorse *g) {
    const uint16_t number = barring(g);
    if (number == GORSE_NONE)
        return 0;
    set_open(g, number, 0);
    return 1;
}

/* Where on the panel what holds a drawer begins. */
static GORSE_OWN_FRAME void origin_of(const gorse *g, const drawer *d, int32_t origin[2]) {
    gorse_view view;
    gorse_see(g, d->number, &view);
    origin[0] = (int32_t)view.widget->x - d->now.group.widget.x;
    origin[1] = (int32_t)view.widget->y - d->now.group.widget.y;
}

/* 1 if a finger at x, y takes hold of a closed drawer: at its edge, beside where it comes in. */
static uint8_t is_at_edge(const gorse *g, const drawer *d, gorse_coord x, gorse_coord y) {
    const gorse_widget *w = &d->now.group.widget;
    int32_t origin[2], along, beside;
    origin_of(g, d, origin);
    along = d->axis != 0u ? y - origin[1] : x - origin[0];
    beside = d->axis != 0u ? x - origin[0] - w->x : y - origin[1] - w->y;
    if (beside < 0 || beside >= (d->axis != 0u ? w->w : w->h))
        return 0;
    if (d->back != 0u)
        return (uint8_t)(along >= 0 && along < d->now.pull);
    along = d->home + d->way - 1 - along;
    return (uint8_t)(along >= 0 && along < d->now.pull);
}

uint16_t gorse_drawer_at(const gorse *g, uint8_t way) {
    const gorse_finger *finger = gorse_finger_of(g);
    const uint16_t first = gorse_first_open(g);
    uint16_t i;
    for (i = gorse_shown(g)->widget_count; i-- > first;) {
        drawer d;
        uint8_t taken;
        if (is_drawer(g, i) == 0u)
            continue;
        read(g, i, &d);
        if (d.now.group.widget.visible == 0u || d.now.group.widget.enabled == 0u ||
            way != (d.axis != 0u ? GORSE_SCROLL_DOWN : GORSE_SCROLL_ACROSS))
            continue;
        taken = d.state.out < d.way ? is_in(g, i, finger->from_x, finger->from_y)
                                    : is_at_edge(g, &d, finger->from_x, finger->from_y);
        if (taken != 0u)
            return i;
    }
    return GORSE_NONE;
}

int16_t gorse_drawer_out(const gorse *g, uint16_t number) {
    drawer d;
    read(g, number, &d);
    return (int16_t)(d.back != 0u ? d.state.out : -d.state.out);
}

void gorse_pull_drawer(gorse *g) {
    const gorse_scroller *scroller = gorse_scroller_of(g);
    const gorse_finger *finger = gorse_finger_of(g);
    drawer d;
    int32_t by, out;
    read(g, scroller->widget, &d);
    by = d.axis != 0u ? (int32_t)finger->y - scroller->finger[1] : (int32_t)finger->x - scroller->finger[0];
    out = scroller->from[d.axis] - by;
    out = d.back != 0u ? out : -out;
    d.state.slides = 0;
    place(g, &d, out < 0 ? 0 : out > d.way ? d.way : out);
}

/* Every second pixel, where nothing mixes. */
static GORSE_OWN_FRAME void darken_row(const gorse_canvas *c, gorse_coord y) {
    uint8_t pattern[GORSE_CHUNK];
    gorse_coord x = c->clip.x0;
    uint_fast8_t i;
    for (i = 0; i < GORSE_CHUNK; i++)
        pattern[i] = (((unsigned)(uint16_t)x + (uint16_t)y + i) & 1u) != 0u ? 255 : 0;
    for (; x < c->clip.x1; x = (gorse_coord)(x + GORSE_CHUNK))
        gorse_mask_span(c, x, y, (uint16_t)gorse_min((gorse_coord)(c->clip.x1 - x), GORSE_CHUNK), pattern, 0xff000000u);
}

void gorse_draw_shade(gorse_canvas *c, const gorse_rect *area, uint16_t number) {
    const gorse *g = c->run;
    drawer d;
    gorse_coord y;
    if (is_drawer(g, number) == 0u)
        return;
    read(g, number, &d);
    if (d.state.shade == 0u || is_shown(g, number) == 0u)
        return;
    c->clip = *area;
    if (gorse_clip_to_holders(g, number, &c->clip) == 0u)
        return;
    if ((c->format->flags & GORSE_FORMAT_MIXES) != 0u) {
        gorse_fill_rect(c, &c->clip, (gorse_colour)d.state.shade << 24);
        return;
    }
    for (y = c->clip.y0; y < c->clip.y1; y++)
        darken_row(c, y);
}

const GORSE_ROM gorse_kind gorse_kind_drawer = {
    sizeof(gorse_widget_drawer), GORSE_KIND_HOLDS, gorse_draw_container, command, tick, wait};
