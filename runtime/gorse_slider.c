/* SPDX-License-Identifier: MIT */
/* A grip on a track: where it is by its value, and what the finger moves it to. */
#include "gorse_slider.h"

#include "gorse_text.h"

/* Parts of a pixel in which the finger's way is kept. A finger so many pixels beside the box moves the grip half as
 * fast, twice as far a quarter. */
enum { PARTS = 8, FINE_WAY = 40, TICK = 3, GAP = 4 };

static const gorse_widget_slider *slider_of(const gorse_widget *widget) {
    return (const gorse_widget_slider *)(const void *)widget;
}

static uint_fast8_t is_upright(const gorse_widget_slider *s) { return (uint_fast8_t)(s->direction & 1u); }

/* Pixels along the slider's direction; across it. */
static gorse_coord length_of(const gorse_widget_slider *s) {
    return is_upright(s) != 0u ? (gorse_coord)s->shown.widget.h : (gorse_coord)s->shown.widget.w;
}

/* Pixels of the grip along its way; an image has its own size. */
static gorse_coord grip_of(const gorse_widget_slider *s) {
    const gorse_coord most = gorse_max(1, length_of(s));
    gorse_coord size = (gorse_coord)s->grip;
    if (s->grip_image != 0)
        size = (gorse_coord)(is_upright(s) != 0u ? s->grip_image->height : s->grip_image->width);
    return gorse_min(most, gorse_max(1, size));
}

/* Pixels that the grip can move. */
static uint16_t way_of(const gorse_widget_slider *s) {
    return (uint16_t)gorse_min(4095, (gorse_coord)(gorse_max(1, length_of(s)) - grip_of(s)));
}

/* What is between two distances from where the direction begins, across all of the box. */
static void piece(const gorse_widget_slider *s, gorse_coord from, gorse_coord to, gorse_rect *out) {
    gorse_widget_box(&s->shown.widget, out);
    if (s->direction == GORSE_DIRECTION_LEFT || s->direction == GORSE_DIRECTION_UP) {
        const gorse_coord end = (gorse_coord)(length_of(s) - from);
        from = (gorse_coord)(length_of(s) - to);
        to = end;
    }
    if (is_upright(s) != 0u) {
        out->y1 = (gorse_coord)(out->y0 + to);
        out->y0 = (gorse_coord)(out->y0 + from);
    } else {
        out->x1 = (gorse_coord)(out->x0 + to);
        out->x0 = (gorse_coord)(out->x0 + from);
    }
}

static gorse_coord place_of(const gorse_widget_slider *s, int32_t value) {
    return (gorse_coord)gorse_scaled_value(&s->shown, value, way_of(s));
}

uint8_t gorse_slider_tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_slider *s = slider_of(widget);
    int32_t before, now;
    gorse_coord from, to;
    gorse_rect changed, box;
    (void)look;
    if (gorse_renew_control(g, widget, &before, &now) == 0u)
        return 0;
    from = place_of(s, before);
    to = place_of(s, now);
    gorse_widget_box(widget, &box);
    if (s->shows_value != 0u)
        gorse_dirty(g, &box);
    if (s->shows_value != 0u || from == to)
        return 0;
    piece(s, gorse_min(from, to), (gorse_coord)(gorse_max(from, to) + grip_of(s)), &changed);
    if (gorse_clip(&changed, &box) != 0u)
        gorse_dirty(g, &changed);
    return 0;
}

/* How far a point of the panel is from where the direction begins. */
static gorse_coord along(const gorse_widget_slider *s, gorse_coord x, gorse_coord y) {
    gorse_rect box;
    gorse_widget_box(&s->shown.widget, &box);
    switch (s->direction) {
    case GORSE_DIRECTION_RIGHT: return (gorse_coord)(x - box.x0);
    case GORSE_DIRECTION_LEFT: return (gorse_coord)(box.x1 - 1 - x);
    case GORSE_DIRECTION_DOWN: return (gorse_coord)(y - box.y0);
    default: return (gorse_coord)(box.y1 - 1 - y);
    }
}

/* How far a point is beside the box. */
static gorse_coord beside(const gorse_widget_slider *s, gorse_coord x, gorse_coord y) {
    gorse_rect box;
    gorse_coord at, first, end;
    gorse_widget_box(&s->shown.widget, &box);
    at = is_upright(s) != 0u ? x : y;
    first = is_upright(s) != 0u ? box.x0 : box.y0;
    end = is_upright(s) != 0u ? box.x1 : box.y1;
    return at < first ? (gorse_coord)(first - at) : at >= end ? (gorse_coord)(at - end + 1) : 0;
}

static void move_to(gorse *g, uint16_t number, const gorse_widget_slider *s, int32_t at) {
    const GORSE_ROM int32_t *limits = s->shown.limits;
    const uint16_t way = way_of(s);
    gorse_finger_of(g)->at = at;
    if (way != 0u)
        gorse_move_control(
            g, number, &s->shown,
            gorse_stepped(limits, limits[GORSE_SLIDER_STEP], gorse_value_at(limits, at, (uint16_t)(way * PARTS))));
}

static void press(gorse *g, uint16_t number, const gorse_widget_slider *s) {
    const gorse_finger *finger = gorse_finger_of(g);
    const gorse_coord at = along(s, finger->x, finger->y), grip = grip_of(s);
    gorse_coord place;
    gorse_take_control(g, &s->shown);
    place = place_of(s, finger->value);
    /* One that takes the grip moves it from where it is. */
    if (s->moves == GORSE_MOVES_BY_FINGER || (at >= place && at < place + grip))
        gorse_finger_of(g)->at = (int32_t)place * PARTS;
    else
        move_to(g, number, s, ((int32_t)at - grip / 2) * PARTS);
}

static void drag(gorse *g, uint16_t number, const gorse_widget_slider *s) {
    const gorse_finger *finger = gorse_finger_of(g);
    const gorse_coord far = beside(s, finger->x, finger->y);
    const int32_t moved =
        (int32_t)along(s, finger->x, finger->y) - (int32_t)along(s, finger->before_x, finger->before_y);
    const int32_t slower = far <= FINE_WAY ? 1 : far <= 2 * FINE_WAY ? 2 : far <= 4 * FINE_WAY ? 4 : 8;
    move_to(g, number, s, finger->at + moved * PARTS / slower);
}

void gorse_touch_slider(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    const gorse_widget_slider *s = slider_of(view->widget);
    if (what == GORSE_TOUCH_PRESS) {
        press(g, number, s);
    } else if (gorse_is_moved(g, view->widget) != 0u) {
        if (what == GORSE_TOUCH_MOVE)
            drag(g, number, s);
        if (what == GORSE_TOUCH_RELEASE) {
            gorse_let_go(g, number, &s->shown);
            gorse_event(g, GORSE_EVENT_DONE, number);
        }
    }
}

/* Makes a box narrower across the direction, in its middle. */
static void thin(const gorse_widget_slider *s, gorse_coord size, gorse_rect *box) {
    if (is_upright(s) != 0u) {
        box->x0 = gorse_max(box->x0, gorse_placed(box->x0, box->x1, size, GORSE_ALIGN_MIDDLE));
        box->x1 = gorse_min(box->x1, (gorse_coord)(box->x0 + size));
    } else {
        box->y0 = gorse_max(box->y0, gorse_placed(box->y0, box->y1, size, GORSE_ALIGN_MIDDLE));
        box->y1 = gorse_min(box->y1, (gorse_coord)(box->y0 + size));
    }
}

/* Short lines at the lower or right edge, from the first value to the last. */
static void draw_ticks(const gorse_canvas *c, const gorse_widget_slider *s, const gorse_look *look) {
    const uint16_t way = way_of(s);
    uint8_t i;
    for (i = 0; i <= s->ticks; i++) {
        const gorse_coord at = (gorse_coord)((uint32_t)way * i / s->ticks + (uint32_t)grip_of(s) / 2u);
        gorse_rect box;
        piece(s, at, (gorse_coord)(at + 1), &box);
        if (is_upright(s) != 0u)
            box.x0 = gorse_max(box.x0, (gorse_coord)(box.x1 - TICK));
        else
            box.y0 = gorse_max(box.y0, (gorse_coord)(box.y1 - TICK));
        gorse_fill_rect(c, &box, look->border);
    }
}

/* The track, and what of it is filled. */
static GORSE_OWN_FRAME void draw_track(const gorse_canvas *c, const gorse_widget_slider *s, const gorse_look *look,
                                       gorse_coord place) {
    const gorse_coord half = (gorse_coord)(grip_of(s) / 2);
    const gorse_coord first = place_of(s, s->shown.limits[GORSE_SLIDER_FILL_FROM]);
    gorse_look part = *look;
    gorse_canvas inside = *c;
    gorse_rect track, filled;
    piece(s, half, (gorse_coord)(length_of(s) - half), &track);
    thin(s, (gorse_coord)s->track, &track);
    part.radius = (uint8_t)gorse_min((gorse_coord)part.radius, (gorse_coord)(s->track / 2));
    gorse_draw_box(c, &track, &part);
    piece(s, (gorse_coord)(gorse_min(first, place) + half), (gorse_coord)(gorse_max(first, place) + half), &filled);
    part.fill = look->text;
    part.border_width = 0;
    gorse_shrink(&track, (gorse_coord)look->border_width);
    if (gorse_is_empty(&track) == 0u && gorse_clip(&inside.clip, &filled) != 0u)
        gorse_draw_box(&inside, &track, &part);
}

/* Where a text of that width is written: beside the grip, on the side with more room. */
static GORSE_OWN_FRAME void value_box(const gorse_widget_slider *s, gorse_coord place, gorse_coord width,
                                      gorse_coord height, gorse_rect *out) {
    const gorse_coord size = is_upright(s) != 0u ? height : width;
    if (place > (gorse_coord)(way_of(s) / 2))
        piece(s, (gorse_coord)(place - GAP - size), (gorse_coord)(place - GAP), out);
    else
        piece(s, (gorse_coord)(place + grip_of(s) + GAP), (gorse_coord)(place + grip_of(s) + GAP + size), out);
    thin(s, is_upright(s) != 0u ? width : height, out);
}

static GORSE_OWN_FRAME void draw_value(const gorse_canvas *c, const gorse_widget_slider *s, const gorse_look *look,
                                       int32_t value, gorse_coord place) {
    char digits[GORSE_READOUT_BYTES];
    gorse_text_box where;
    gorse_line line;
    gorse_write_decimal(value, (uint8_t)s->shown.limits[GORSE_SLIDER_DECIMALS], digits);
    (void)gorse_next_line(look->font, gorse_plain_text(digits), 0, 0, 0, &line);
    value_box(s, place, (gorse_coord)(line.width + 6), (gorse_coord)look->font->line_height, &where.box);
    where.align = where.place = GORSE_ALIGN_MIDDLE;
    where.wrap = 0;
    gorse_fill_rect(c, &where.box, look->fill);
    gorse_draw_text(c, gorse_plain_text(digits), &where, look->font,
                    (gorse_colour)s->shown.limits[GORSE_SLIDER_GRIP_COLOUR]);
}

void gorse_draw_slider(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look,
                       gorse_draw_grip *grip) {
    const gorse_widget_slider *s = slider_of(widget);
    const int32_t value = gorse_drawn_value(c->run, widget);
    const gorse_coord place = place_of(s, value);
    gorse_rect box;
    draw_track(c, s, look, place);
    if (s->ticks != 0u)
        draw_ticks(c, s, look);
    piece(s, place, (gorse_coord)(place + grip_of(s)), &box);
    grip(c, s, look, &box);
    if (s->shows_value != 0u && look->font != 0 && gorse_is_moved(c->run, widget) != 0u)
        draw_value(c, s, look, value, place);
}
