/* SPDX-License-Identifier: MIT */
/* A number between a minus and a plus. */
#include "gorse_control.h"

enum { NO_SIDE = 0, MINUS = 1, PLUS = 2 };

static const gorse_widget_stepper *stepper_of(const gorse_widget *widget) {
    return (const gorse_widget_stepper *)(const void *)widget;
}

/* How wide each end is: as wide as high, if the number keeps a third of the box. */
static gorse_coord end_of(const gorse_widget *widget) { return gorse_min(widget->h, (gorse_coord)(widget->w / 3)); }

static void end_box(const gorse_widget *widget, uint8_t side, gorse_rect *out) {
    gorse_widget_box(widget, out);
    if (side == MINUS)
        out->x1 = (gorse_coord)(out->x0 + end_of(widget));
    else
        out->x0 = (gorse_coord)(out->x1 - end_of(widget));
}

static void middle_box(const gorse_widget *widget, gorse_rect *out) {
    gorse_widget_box(widget, out);
    out->x0 = (gorse_coord)(out->x0 + end_of(widget));
    out->x1 = (gorse_coord)(out->x1 - end_of(widget));
}

/* The end that a finger came down on. */
static uint8_t side_at(const gorse_widget *widget, gorse_coord x) {
    gorse_rect middle;
    middle_box(widget, &middle);
    return (uint8_t)(x < middle.x0 ? MINUS : x >= middle.x1 ? PLUS : NO_SIDE);
}

static void step_by(gorse *g, uint16_t number, const gorse_widget_stepper *s) {
    const GORSE_ROM int32_t *limits = s->shown.limits;
    const int32_t value = gorse_finger_of(g)->value, step = limits[GORSE_STEPPER_STEP];
    const uint32_t size = step > 0 ? (uint32_t)step : 1u;
    const uint8_t side = side_at(&s->shown.widget, gorse_finger_of(g)->from_x);
    int32_t next = value;
    if (side == PLUS)
        next = value >= limits[1] || (uint32_t)limits[1] - (uint32_t)value < size
                   ? limits[1]
                   : gorse_wrapped((uint32_t)value + size);
    if (side == MINUS)
        next = value <= limits[0] || (uint32_t)value - (uint32_t)limits[0] < size
                   ? limits[0]
                   : gorse_wrapped((uint32_t)value - size);
    gorse_move_control(g, number, &s->shown, next);
}

static void touch(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    const gorse_widget_stepper *s = stepper_of(view->widget);
    if (what == GORSE_TOUCH_PRESS) {
        gorse_take_control(g, &s->shown);
        step_by(g, number, s);
        gorse_repeat_in(g, s->repeat_after);
    } else if (what == GORSE_TOUCH_REPEAT) {
        step_by(g, number, s);
        gorse_repeat_in(g, s->repeat_every);
    } else if (what == GORSE_TOUCH_RELEASE) {
        gorse_let_go(g, number, &s->shown);
    }
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    int32_t before, now;
    gorse_rect middle;
    (void)look;
    middle_box(widget, &middle);
    if (gorse_renew_control(g, widget, &before, &now) != 0u && gorse_is_empty(&middle) == 0u)
        gorse_dirty(g, &middle);
    return 0;
}

/* A minus or a plus in the middle of an end; the end that is pressed has its colours exchanged. */
static GORSE_OWN_FRAME void draw_end(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look,
                                     uint8_t side, uint8_t is_pressed) {
    gorse_look part = *look;
    gorse_rect box, bar;
    gorse_coord size, thick;
    end_box(widget, side, &box);
    if (is_pressed != 0u) {
        part.fill = look->text;
        part.text = look->fill;
    }
    if (gorse_is_empty(&box) != 0u)
        return;
    gorse_draw_box(c, &box, &part);
    size = (gorse_coord)(gorse_min((gorse_coord)(box.x1 - box.x0), (gorse_coord)(box.y1 - box.y0)) * 2 / 5);
    thick = gorse_max(1, (gorse_coord)(size / 5));
    size = (gorse_coord)(size + (size - thick) % 2);
    bar.x0 = gorse_placed(box.x0, box.x1, size, GORSE_ALIGN_MIDDLE);
    bar.x1 = (gorse_coord)(bar.x0 + size);
    bar.y0 = gorse_placed(box.y0, box.y1, thick, GORSE_ALIGN_MIDDLE);
    bar.y1 = (gorse_coord)(bar.y0 + thick);
    gorse_fill_rect(c, &bar, part.text);
    if (side == PLUS) {
        const gorse_coord arm = (gorse_coord)((size - thick) / 2);
        gorse_rect upright = bar;
        upright.x0 = (gorse_coord)(bar.x0 + arm);
        upright.x1 = (gorse_coord)(upright.x0 + thick);
        upright.y0 = (gorse_coord)(bar.y0 - arm);
        upright.y1 = bar.y0;
        gorse_fill_rect(c, &upright, part.text);
        upright.y0 = bar.y1;
        upright.y1 = (gorse_coord)(bar.y1 + arm);
        gorse_fill_rect(c, &upright, part.text);
    }
}

static GORSE_OWN_FRAME void draw_number(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    char digits[GORSE_READOUT_BYTES];
    gorse_canvas inside = *c;
    gorse_text_box where;
    gorse_write_decimal(gorse_drawn_value(c->run, widget),
                        (uint8_t)stepper_of(widget)->shown.limits[GORSE_STEPPER_DECIMALS], digits);
    middle_box(widget, &where.box);
    where.align = where.place = GORSE_ALIGN_MIDDLE;
    where.wrap = 0;
    if (gorse_clip(&inside.clip, &where.box) != 0u)
        gorse_draw_text(&inside, gorse_plain_text(digits), &where, look->font, look->text);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    uint8_t pressed = NO_SIDE;
    if (gorse_is_moved(c->run, widget) != 0u && gorse_head_of(c->run)->inside != 0u)
        pressed = side_at(widget, gorse_finger_of(c->run)->from_x);
    draw_end(c, widget, look, MINUS, (uint8_t)(pressed == MINUS));
    draw_end(c, widget, look, PLUS, (uint8_t)(pressed == PLUS));
    draw_number(c, widget, look);
}

const GORSE_ROM gorse_control_kind gorse_kind_stepper = {
    {sizeof(gorse_widget_stepper), GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL | GORSE_KIND_ENTERED, draw,
     gorse_enter_control, tick, gorse_wait_for_value},
    gorse_no_states,
    touch};
