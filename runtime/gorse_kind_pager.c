/* SPDX-License-Identifier: MIT */
/* A container that shows one of its pages. A change of pages slides; a finger that lets go in the middle goes on or
 * back by its way and speed. */
#include "gorse_control.h"
#include "gorse_pager.h"
#include "gorse_scroll.h"

enum {
    FLICK = 200,   /* speed of the finger, 1/256 px in 8 ms, that turns a page from anywhere */
    FRAME = 16,    /* ms until it is to be drawn again */
    MARK = 3,      /* pixels: how wide a mark is */
    MARK_LONG = 9, /* how high that of the page that is shown is */
    MARK_STEP = 7, /* from one to the next */
    MARK_EDGE = 4  /* from the edge of the pager */
};

/* A pager of the shown screen as it is now. */
typedef struct pager {
    gorse_widget_pager now;
    gorse_pager_state state;
    uint16_t number;
    int16_t size, pan; /* of a page, and of the pager, along its way */
} pager;

static uint8_t axis_of(const gorse_widget_group *group) { return (uint8_t)((group->scroll & GORSE_SCROLL_DOWN) != 0u); }

static void read(const gorse *g, uint16_t number, pager *p) {
    gorse_read_record(g, number, &p->now, sizeof p->now);
    memcpy(&p->state, gorse_widget_state(g, &p->now.group.widget), sizeof p->state);
    p->number = number;
    /* Rules may make it too small. */
    p->size = axis_of(&p->now.group) != 0u ? p->now.group.widget.h : p->now.group.widget.w;
    p->size = p->size > 0 ? p->size : (int16_t)1;
    p->pan = axis_of(&p->now.group) != 0u ? p->now.group.pan_y : p->now.group.pan_x;
}

static void store(gorse *g, const pager *p) {
    memcpy(gorse_widget_state(g, &p->now.group.widget), &p->state, sizeof p->state);
}

static void set_pan(gorse *g, const pager *p, int32_t pan) {
    (void)gorse_set_pan(g, p->number, axis_of(&p->now.group), pan);
}

static uint8_t is_round(const pager *p) { return (uint8_t)((p->now.group.scroll & GORSE_SCROLL_ROUND) != 0u); }

/* Begins to slide to a page, from where it is; of an endless one the short way. */
static void slide_to(gorse *g, pager *p, uint16_t page) {
    gorse_pager_state *state = &p->state;
    int32_t to = (int32_t)page * p->size, way;
    if (is_round(p) != 0u && (to - p->pan) * 2 > state->whole)
        to -= state->whole;
    if (is_round(p) != 0u && (p->pan - to) * 2 > state->whole)
        to += state->whole;
    way = to - p->pan;
    /* Its marks. */
    if (state->page != page)
        gorse_dirty_number(g, p->number);
    state->page = page;
    state->from = p->pan;
    state->to = (int16_t)to;
    state->since = gorse_head_of(g)->now;
    /* What is near takes less time. */
    way = way < 0 ? -way : way;
    state->ms = (uint16_t)(way >= p->size ? p->now.slide : (int32_t)p->now.slide * way / p->size);
}

/* The page that the variable says, else the latest. */
static uint16_t wanted_page(const gorse *g, const pager *p) {
    const int32_t last = p->state.whole / p->size - 1;
    const int32_t page = p->now.variable != GORSE_NONE ? gorse_number(g, p->now.variable) : (int32_t)p->state.page;
    return (uint16_t)(page > last ? last : page < 0 ? 0 : page);
}

/* Measures its pages. Returns 1 if that changed. */
static uint8_t measure(const gorse *g, pager *p) {
    int32_t most[2];
    int32_t whole;
    (void)gorse_scroll_range(g, p->number, most);
    whole = most[axis_of(&p->now.group)] + p->size;
    whole = whole > 32767 - p->size ? 32767 - p->size : whole;
    if (whole == p->state.whole)
        return 0;
    p->state.whole = (int16_t)whole;
    return 1;
}

/* A person chose a page. */
static void choose(gorse *g, pager *p, int32_t page) {
    const int32_t count = p->state.whole / p->size;
    const uint16_t before = p->state.page;
    if (page < 0)
        page = is_round(p) != 0u ? page + count : 0;
    if (page >= count)
        page = is_round(p) != 0u ? page - count : count - 1;
    slide_to(g, p, (uint16_t)page);
    store(g, p);
    if (p->now.variable != GORSE_NONE)
        gorse_set_by_control(g, p->number, p->now.variable, page);
    else if (before != page)
        gorse_event(g, GORSE_EVENT_CHANGE, p->number);
}

/* The finger let go of it. */
static void let_go(gorse *g, pager *p) {
    gorse_scroller *scroller = gorse_scroller_of(g);
    const int16_t speed = scroller->speed[axis_of(&p->now.group)];
    /* From below the first one, as division rounds towards it. */
    const int32_t at = (int32_t)p->pan + p->size;
    int32_t page = (at + p->size / 2) / p->size;
    if (speed > FLICK)
        page = at / p->size + 1;
    if (speed < -FLICK)
        page = (at - 1) / p->size;
    scroller->doing = GORSE_SCROLLER_RESTS;
    p->state.held = 0;
    choose(g, p, page - 1);
}

/* Where it is while it slides: fast first. */
static void go_on(gorse *g, pager *p) {
    gorse_pager_state *state = &p->state;
    if (gorse_head_of(g)->now - state->since >= state->ms) {
        /* Behind the last page is the first. */
        if (is_round(p) != 0u && (state->to < 0 || state->to >= state->whole))
            state->to = (int16_t)(state->page * (uint16_t)p->size);
        state->from = state->to;
    }
    set_pan(g, p, gorse_slid(g, state->since, state->ms, state->from, state->to));
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_scroller *scroller = gorse_scroller_of(g);
    pager p;
    uint8_t mine;
    (void)look;
    read(g, gorse_control_number(g, widget), &p);
    if (measure(g, &p) != 0u)
        gorse_dirty_number(g, p.number);
    mine = (uint8_t)(scroller->widget == p.number);
    if (mine != 0u && scroller->doing == GORSE_SCROLLER_HELD) {
        p.state.held = 1;
    } else if (mine != 0u && scroller->doing == GORSE_SCROLLER_COASTS) {
        let_go(g, &p);
        return 0;
    } else {
        const uint16_t page = wanted_page(g, &p);
        /* One that another container was taken from comes back. */
        if (page != p.state.page || p.state.held != 0u || p.state.to % p.size != 0)
            slide_to(g, &p, page);
        p.state.held = 0;
        go_on(g, &p);
    }
    store(g, &p);
    return 0;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    gorse_pager_state state;
    memcpy(&state, gorse_widget_state(g, widget), sizeof state);
    return state.from != state.to ? FRAME : GORSE_FOREVER;
}

/* Its screen is entered: it stands at its page. */
static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    pager p;
    (void)look;
    if (what != GORSE_COMMAND_ENTER)
        return;
    read(g, gorse_control_number(g, widget), &p);
    memset(&p.state, 0, sizeof p.state);
    (void)measure(g, &p);
    p.state.page = wanted_page(g, &p);
    p.state.from = p.state.to = (int16_t)(p.state.page * (uint16_t)p.size);
    store(g, &p);
    set_pan(g, &p, p.state.to);
}

int16_t gorse_pan_round(const gorse *g, const gorse_widget_group *group, uint16_t page, int16_t pan) {
    gorse_pager_state state;
    gorse_widget held;
    const uint8_t down = axis_of(group);
    int32_t at;
    gorse_read_record(g, page, &held, sizeof held);
    memcpy(&state, gorse_widget_state(g, &group->widget), sizeof state);
    at = (int32_t)(down != 0u ? held.y : held.x) - pan;
    if (at <= -(int32_t)(down != 0u ? group->widget.h : group->widget.w))
        return (int16_t)(pan - state.whole);
    if (at > (int32_t)state.whole - (down != 0u ? group->widget.h : group->widget.w))
        return (int16_t)(pan + state.whole);
    return pan;
}

void gorse_show_page(gorse *g, uint16_t number, uint16_t page) {
    gorse_widget held;
    pager p;
    uint16_t shown;
    read(g, number, &p);
    gorse_read_record(g, page, &held, sizeof held);
    shown = (uint16_t)((axis_of(&p.now.group) != 0u ? held.y : held.x) / p.size);
    if (shown != p.state.page && gorse_scroller_of(g)->doing != GORSE_SCROLLER_HELD)
        choose(g, &p, shown);
}

/* Returns 0 if it is hidden. */
static GORSE_OWN_FRAME uint8_t shown_box(const gorse *g, uint16_t number, gorse_rect *box, gorse_colour *colour) {
    gorse_view view;
    gorse_see(g, number, &view);
    gorse_widget_box(view.widget, box);
    *colour = view.look->text;
    return view.widget->visible;
}

void gorse_page_by(gorse *g, int8_t steps) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    uint16_t i;
    for (i = screen->widget_count; i-- != 0u;) {
        gorse_rect box;
        gorse_colour colour;
        pager p;
        if (screen->widgets[i]->kind != &gorse_kind_pager || shown_box(g, i, &box, &colour) == 0u)
            continue;
        read(g, i, &p);
        choose(g, &p, (int32_t)p.state.page + (steps > 0 ? 1 : -1));
        return;
    }
}

/* A mark in the middle of `at` on one axis, `long` on the other, at the far edge of the box. */
static void draw_mark(gorse_canvas *c, const gorse_rect *box, uint8_t down, gorse_coord at, uint8_t shown,
                      gorse_colour colour) {
    const gorse_coord size = shown != 0u ? MARK_LONG : MARK;
    const gorse_coord edge = (gorse_coord)(MARK_EDGE + (MARK_LONG - size) / 2);
    gorse_rect mark;
    if (down != 0u) {
        mark.x1 = (gorse_coord)(box->x1 - edge);
        mark.x0 = (gorse_coord)(mark.x1 - size);
        mark.y0 = at;
        mark.y1 = (gorse_coord)(at + MARK);
    } else {
        mark.y1 = (gorse_coord)(box->y1 - edge);
        mark.y0 = (gorse_coord)(mark.y1 - size);
        mark.x0 = at;
        mark.x1 = (gorse_coord)(at + MARK);
    }
    gorse_fill_rect(c, &mark, colour);
}

/* How many marks there are, which of them is the longer one, and the way that they lie; 0 of none. */
static GORSE_OWN_FRAME uint8_t marks_of(const gorse *g, uint16_t number, uint16_t *page, uint8_t *down) {
    pager p;
    int32_t count;
    read(g, number, &p);
    count = p.state.whole / p.size;
    *page = p.state.page;
    *down = axis_of(&p.now.group);
    return (uint8_t)(p.now.dots == 0u || count < 2 || count * MARK_STEP > p.size || count > 255 ? 0 : count);
}

void gorse_draw_marks(gorse_canvas *c, const gorse_rect *area, uint16_t number) {
    gorse_rect box;
    gorse_colour colour;
    gorse_coord at;
    uint16_t page;
    uint8_t down, count, i;
    if (shown_box(c->run, number, &box, &colour) == 0u)
        return;
    c->clip = box;
    if (gorse_clip_to_holders(c->run, number, &c->clip) == 0u || gorse_clip(&c->clip, area) == 0u)
        return;
    count = marks_of(c->run, number, &page, &down);
    at = gorse_placed(down != 0u ? box.y0 : box.x0, down != 0u ? box.y1 : box.x1,
                      (gorse_coord)(count * MARK_STEP - MARK_STEP + MARK), GORSE_ALIGN_MIDDLE);
    for (i = 0; i < count; i++)
        draw_mark(c, &box, down, (gorse_coord)(at + i * MARK_STEP), (uint8_t)(i == page), colour);
}

const GORSE_ROM gorse_kind gorse_kind_pager = {
    sizeof(gorse_widget_pager), GORSE_KIND_HOLDS, gorse_draw_container, command, tick, wait};
