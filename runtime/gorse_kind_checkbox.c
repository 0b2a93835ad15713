/* SPDX-License-Identifier: MIT */
/* A box that is marked while its variable has its value, and a text beside it. */
#include "gorse_control.h"
#include "gorse_cover.h"

static const gorse_widget_checkbox *checkbox_of(const gorse_widget *widget) {
    return (const gorse_widget_checkbox *)(const void *)widget;
}

static uint8_t is_on(const gorse *g, const gorse_widget_checkbox *b) {
    const int32_t value = gorse_number(g, b->variable);
    if (b->acts == GORSE_ACTS_CHOICE)
        return (uint8_t)(b->variable != GORSE_NONE && value == b->choice);
    return (uint8_t)(value != 0);
}

/* What it shows: rules may run between the widgets' ticks. */
static uint8_t shows_on(const gorse *g, const gorse_widget *widget) {
    return (uint8_t)(*gorse_widget_state(g, widget) != 0);
}

static uint8_t states(const gorse *g, gorse_record *record) {
    return (uint8_t)(shows_on(g, &record->widget) != 0u ? GORSE_STATE_ON : 0);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    (void)look;
    if (what == GORSE_COMMAND_ENTER)
        *gorse_widget_state(g, widget) = (char)is_on(g, checkbox_of(widget));
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const uint8_t now = is_on(g, checkbox_of(widget));
    (void)look;
    if (shows_on(g, widget) != now) {
        *gorse_widget_state(g, widget) = (char)now;
        gorse_dirty_widget(g, widget);
    }
    return 0;
}

static void touch(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    const gorse_widget_checkbox *b = checkbox_of(view->widget);
    if (what != GORSE_TOUCH_RELEASE || gorse_is_tap(g) == 0u)
        return;
    gorse_set_by_control(g, number, b->variable,
                         b->acts == GORSE_ACTS_CHOICE ? (int32_t)b->choice : (int32_t)(is_on(g, b) == 0u));
}

static void draw_shape(const gorse_canvas *c, uint8_t shape, const gorse_rect *box, const gorse_look *look) {
    gorse_sector s;
    if (shape == GORSE_CHECK_SQUARE) {
        gorse_draw_box(c, box, look);
        return;
    }
    gorse_ellipse_in(box, &s.outer);
    gorse_smaller_ellipse(&s.outer, s.outer.radius.x, &s.hole);
    s.from = s.to = 0;
    s.border = look->border_width;
    s.ends = GORSE_ENDS_FLAT;
    gorse_draw_outline(c, box, gorse_add_sector, gorse_add_sector_border, &s, look);
}

/* The side of the box: as high as a line of the text, if there is room. */
static gorse_coord side_of(const gorse_rect *room, const gorse_look *look) {
    const gorse_coord most = gorse_min((gorse_coord)(room->x1 - room->x0), (gorse_coord)(room->y1 - room->y0));
    const gorse_coord wanted = look->font != 0 ? (gorse_coord)look->font->line_height : most;
    return gorse_min(most, (gorse_coord)(wanted / 2 * 2));
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_checkbox *b = checkbox_of(widget);
    gorse_look part = *look;
    gorse_text_box where;
    gorse_rect mark;
    gorse_coord side;
    const uint8_t on = shows_on(c->run, widget);
    const gorse_colour colour = gorse_alpha(b->on_colour) != 0u ? b->on_colour : look->text;
    gorse_widget_box(widget, &where.box);
    gorse_shrink(&where.box, (gorse_coord)look->padding);
    if (gorse_is_empty(&where.box) != 0u)
        return;
    side = side_of(&where.box, look);
    mark = where.box;
    mark.x1 = (gorse_coord)(mark.x0 + side);
    mark.y0 = gorse_placed(mark.y0, mark.y1, side, GORSE_ALIGN_MIDDLE);
    mark.y1 = (gorse_coord)(mark.y0 + side);
    if (on != 0u && part.border_width != 0u)
        part.border = colour;
    draw_shape(c, b->shape, &mark, &part);
    if (on != 0u) {
        gorse_rect filled = mark;
        gorse_shrink(&filled, (gorse_coord)(look->border_width + gorse_max(1, (gorse_coord)(side / 8))));
        part.fill = colour;
        part.border_width = 0;
        part.radius = (uint8_t)(look->radius > 2u ? 1 : 0);
        if (gorse_is_empty(&filled) == 0u)
            draw_shape(c, b->shape, &filled, &part);
    }
    where.box.x0 = gorse_min(where.box.x1, (gorse_coord)(mark.x1 + gorse_max(4, (gorse_coord)(side / 2))));
    where.align = b->label.align;
    where.place = b->label.place;
    where.wrap = b->label.wrap;
    gorse_draw_text(c, gorse_shown_text(c->run, &b->label), &where, look->font, look->text);
}

const GORSE_ROM gorse_control_kind gorse_kind_checkbox = {
    {sizeof(gorse_widget_checkbox), GORSE_KIND_HAS_TEXT | GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL, draw, command, tick,
     gorse_wait_for_value},
    states,
    touch};
