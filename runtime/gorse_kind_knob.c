/* SPDX-License-Identifier: MIT */
/* A ring with a stroke across it that is turned to a value. */
#include "gorse_blade.h"
#include "gorse_control.h"
#include "gorse_ring.h"
#include "gorse_text.h"

/* Pixels that the grip reaches beyond the ring, and that a finger goes for the whole of it. */
enum { BEYOND = 3, WAY = 200 };

static const gorse_widget_knob *knob_of(const gorse_widget *widget) {
    return (const gorse_widget_knob *)(const void *)widget;
}

static uint16_t measure(const gorse_widget_knob *k, gorse_sector *out) {
    gorse_ring_form form;
    gorse_rect box;
    form.from_angle = k->from_angle;
    form.to_angle = k->to_angle;
    form.thickness = k->thickness;
    form.ends = GORSE_ENDS_FLAT;
    form.border = 0;
    gorse_widget_box(&k->shown.widget, &box);
    if (gorse_min((gorse_coord)(box.x1 - box.x0), (gorse_coord)(box.y1 - box.y0)) > 4 * BEYOND)
        gorse_shrink(&box, BEYOND);
    return gorse_measure_ring(&form, &box, out);
}

/* The corners of the grip at a distance along the ring. */
static void make_grip(const gorse_widget_knob *k, const gorse_sector *ring, uint16_t distance, gorse_blade *out) {
    const uint16_t angle = gorse_ring_angle(ring, distance);
    const int32_t half = (int32_t)k->grip * GORSE_FINE / 2;
    gorse_fine outer, inner;
    gorse_polar(&ring->outer.centre, ring->outer.radius.x + BEYOND * GORSE_FINE, angle, &outer);
    gorse_polar(&ring->outer.centre, ring->hole.radius.x - BEYOND * GORSE_FINE, angle, &inner);
    gorse_polar(&outer, half, gorse_quarters_on(angle, 3), &out->corners[0]);
    gorse_polar(&outer, half, gorse_quarters_on(angle, 1), &out->corners[1]);
    gorse_polar(&inner, half, gorse_quarters_on(angle, 1), &out->corners[2]);
    gorse_polar(&inner, half, gorse_quarters_on(angle, 3), &out->corners[3]);
}

static GORSE_OWN_FRAME void mark_grip(gorse *g, const gorse_widget_knob *k, const gorse_sector *ring, uint16_t distance,
                                      const gorse_rect *box) {
    gorse_blade grip;
    gorse_rect area;
    make_grip(k, ring, distance, &grip);
    gorse_box_around(grip.corners, 4, 0, &area);
    if (gorse_clip(&area, box) != 0u)
        gorse_dirty(g, &area);
}

/* Where the value is written: in the middle, as wide as the ring leaves room. */
static void value_box(const gorse_sector *ring, const gorse_look *look, gorse_rect *out) {
    const gorse_coord half = (gorse_coord)(ring->hole.radius.x / GORSE_FINE - BEYOND);
    const gorse_coord line = look->font != 0 ? (gorse_coord)look->font->line_height : 0;
    const gorse_coord x = gorse_pixel_of(ring->outer.centre.x), y = gorse_pixel_of(ring->outer.centre.y);
    out->x0 = (gorse_coord)(x - gorse_max(0, half));
    out->x1 = (gorse_coord)(x + gorse_max(0, half));
    out->y0 = (gorse_coord)(y - line / 2);
    out->y1 = (gorse_coord)(out->y0 + line);
}

static uint16_t distance_of(const gorse_widget_knob *k, int32_t value, uint16_t sweep) {
    return gorse_scaled_value(&k->shown, value, sweep);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_knob *k = knob_of(widget);
    int32_t before, now;
    uint16_t sweep, from, to;
    gorse_sector ring;
    gorse_rect box, value;
    if (gorse_renew_control(g, widget, &before, &now) == 0u)
        return 0;
    sweep = measure(k, &ring);
    gorse_widget_box(widget, &box);
    from = distance_of(k, before, sweep);
    to = distance_of(k, now, sweep);
    value_box(&ring, look, &value);
    if (k->shows_value != 0u && gorse_clip(&value, &box) != 0u)
        gorse_dirty(g, &value);
    if (from == to)
        return 0;
    mark_grip(g, k, &ring, from, &box);
    mark_grip(g, k, &ring, to, &box);
    gorse_mark_ring(g, &box, &ring, from < to ? from : to, from < to ? to : from);
    return 0;
}

/* The angle of a point round a middle, to 1/64 degree: the one whose direction lies nearest to it. */
static uint16_t angle_of(int32_t x, int32_t y) {
    gorse_ellipse round;
    gorse_fine at;
    uint16_t low = 0, high = GORSE_TURN / 4u;
    const int32_t across = x < 0 ? -x : x, down = y < 0 ? -y : y;
    round.centre.x = round.centre.y = 0;
    round.radius.x = round.radius.y = 4096;
    /* From the top towards the right: across / down grows. */
    while (low < high) {
        const uint16_t middle = (uint16_t)((low + high) / 2u);
        gorse_point_at(&round, middle, &at);
        if (across * -at.y > down * at.x)
            low = (uint16_t)(middle + 1u);
        else
            high = middle;
    }
    if (y > 0)
        low = (uint16_t)(GORSE_TURN / 2u - low);
    return (uint16_t)(x < 0 && low != 0u ? GORSE_TURN - low : low);
}

/* The angle of the finger; `far` 0 in the middle, where it has none. */
static uint16_t finger_angle(const gorse_sector *ring, int16_t x, int16_t y, uint8_t *far) {
    int32_t across = (int32_t)x * 2 + 1 - ring->outer.centre.x / (GORSE_FINE / 2);
    int32_t down = (int32_t)y * 2 + 1 - ring->outer.centre.y / (GORSE_FINE / 2);
    *far = (uint8_t)(across > 8 || across < -8 || down > 8 || down < -8);
    /* The products fit; only the direction counts. */
    while (across > 8000 || across < -8000 || down > 8000 || down < -8000) {
        across /= 2;
        down /= 2;
    }
    return angle_of(across, down);
}

static void move_to(gorse *g, uint16_t number, const gorse_widget_knob *k, int32_t at, uint16_t sweep) {
    const GORSE_ROM int32_t *limits = k->shown.limits;
    const int32_t most = (int32_t)sweep + (int32_t)(GORSE_TURN - sweep) / 2, least = (int32_t)sweep - most;
    gorse_finger_of(g)->at = at < least ? least : at > most ? most : at;
    gorse_move_control(g, number, &k->shown,
                       gorse_stepped(limits, limits[GORSE_SLIDER_STEP], gorse_value_at(limits, at, sweep)));
}

/* The ring goes to the finger, unless that is in its gap or its middle. */
static void press(gorse *g, uint16_t number, const gorse_widget_knob *k, const gorse_sector *ring, uint16_t sweep) {
    const gorse_finger *finger = gorse_finger_of(g);
    uint8_t far;
    const uint16_t angle = finger_angle(ring, finger->x, finger->y, &far);
    const uint16_t distance = (uint16_t)(((uint32_t)angle + GORSE_TURN - ring->from) % GORSE_TURN);
    gorse_take_control(g, &k->shown);
    gorse_finger_of(g)->at = distance_of(k, finger->value, sweep);
    if (k->turns == GORSE_TURNS_TO_FINGER && far != 0u && distance <= sweep)
        move_to(g, number, k, distance, sweep);
}

static void drag(gorse *g, uint16_t number, const gorse_widget_knob *k, const gorse_sector *ring, uint16_t sweep) {
    const gorse_finger *finger = gorse_finger_of(g);
    int32_t turned;
    if (k->turns == GORSE_TURNS_BY_WAY) {
        turned =
            ((int32_t)finger->x - finger->before_x - ((int32_t)finger->y - finger->before_y)) * (int32_t)sweep / WAY;
    } else {
        uint8_t far, was_far;
        turned = (int32_t)finger_angle(ring, finger->x, finger->y, &far) -
                 (int32_t)finger_angle(ring, finger->before_x, finger->before_y, &was_far);
        if ((far & was_far) == 0u)
            return;
        if (turned > (int32_t)GORSE_TURN / 2)
            turned -= (int32_t)GORSE_TURN;
        if (turned < -(int32_t)GORSE_TURN / 2)
            turned += (int32_t)GORSE_TURN;
    }
    move_to(g, number, k, finger->at + turned, sweep);
}

static void touch(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    const gorse_widget_knob *k = knob_of(view->widget);
    gorse_sector ring;
    const uint16_t sweep = measure(k, &ring);
    if (what == GORSE_TOUCH_PRESS) {
        press(g, number, k, &ring, sweep);
    } else if (gorse_is_moved(g, view->widget) != 0u) {
        if (what == GORSE_TOUCH_MOVE)
            drag(g, number, k, &ring, sweep);
        if (what == GORSE_TOUCH_RELEASE) {
            gorse_let_go(g, number, &k->shown);
            gorse_event(g, GORSE_EVENT_DONE, number);
        }
    }
}

static GORSE_OWN_FRAME void draw_value(const gorse_canvas *c, const gorse_widget_knob *k, const gorse_sector *ring,
                                       const gorse_look *look) {
    char digits[GORSE_READOUT_BYTES];
    gorse_canvas inside = *c;
    gorse_text_box where;
    gorse_write_decimal(gorse_drawn_value(c->run, &k->shown.widget), (uint8_t)k->shown.limits[GORSE_SLIDER_DECIMALS],
                        digits);
    value_box(ring, look, &where.box);
    where.align = where.place = GORSE_ALIGN_MIDDLE;
    where.wrap = 0;
    if (gorse_clip(&inside.clip, &where.box) != 0u)
        gorse_draw_text(&inside, gorse_plain_text(digits), &where, look->font,
                        (gorse_colour)k->shown.limits[GORSE_SLIDER_GRIP_COLOUR]);
}

static GORSE_OWN_FRAME void draw_ring(const gorse_canvas *c, const gorse_widget_knob *k, const gorse_sector *ring,
                                      const gorse_look *look, uint16_t sweep, uint16_t at) {
    const uint16_t first = distance_of(k, k->shown.limits[GORSE_SLIDER_FILL_FROM], sweep);
    gorse_look ink = *look;
    gorse_draw_ring_part(c, ring, 0, sweep, look);
    ink.fill = look->text;
    ink.border_width = 0;
    gorse_draw_ring_part(c, ring, first < at ? first : at, first < at ? at : first, &ink);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_knob *k = knob_of(widget);
    gorse_sector ring;
    gorse_blade grip;
    const uint16_t sweep = measure(k, &ring);
    const uint16_t at = distance_of(k, gorse_drawn_value(c->run, widget), sweep);
    draw_ring(c, k, &ring, look, sweep, at);
    make_grip(k, &ring, at, &grip);
    gorse_draw_blade(c, &grip, (gorse_colour)k->shown.limits[GORSE_SLIDER_GRIP_COLOUR]);
    if (k->shows_value != 0u)
        draw_value(c, k, &ring, look);
}

const GORSE_ROM gorse_control_kind gorse_kind_knob = {
    {sizeof(gorse_widget_knob), GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL | GORSE_KIND_ENTERED, draw, gorse_enter_control,
     tick, gorse_wait_for_value},
    gorse_no_states,
    touch};
