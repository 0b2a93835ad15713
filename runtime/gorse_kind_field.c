/* SPDX-License-Identifier: MIT */
/* A text that is typed: how it is drawn, and where its cursor is. */
#include "gorse_scroll.h"
#include "gorse_typing.h"

enum { SHOWS_MS = 800 /* that a secret shows the latest character */ };

/* A field's text as it lies in its box. */
typedef struct layout {
    const GORSE_ROM gorse_font *font;
    gorse_text_source text;
    gorse_rect box;
    int32_t shift; /* pixels that it is moved to the left, or up */
    uint8_t align, wrap, secret;
    uint8_t latest; /* the character that a secret shows begins here; GORSE_NO_KEY: it shows none */
} layout;

static const gorse_widget_field *field_of(const gorse_widget *widget) {
    return (const gorse_widget_field *)(const void *)widget;
}

/* The kind of a widget, or of what it is drawn by. */
static const GORSE_ROM gorse_kind *kind_of(const gorse_widget *widget) {
    return (widget->kind->flags & GORSE_KIND_WRAPPED) != 0u ? gorse_wrapped_kind_of(widget)->of : widget->kind;
}

uint8_t gorse_is_field(const gorse_widget *widget) { return (uint8_t)(kind_of(widget) == &gorse_kind_field.kind); }
uint8_t gorse_is_keyboard(const gorse_widget *widget) {
    return (uint8_t)(kind_of(widget) == &gorse_kind_keyboard.kind);
}

GORSE_OWN_FRAME void gorse_read_field(const gorse *g, uint16_t number, gorse_widget_field *out) {
    gorse_view view;
    gorse_see(g, number, &view);
    *out = view.record.field;
}

static void lay_out(const gorse *g, uint16_t number, const gorse_widget_field *field, const gorse_look *look,
                    layout *l) {
    const gorse_typing *typing = gorse_typing_of(g);
    gorse_text_box where;
    gorse_text_widget_box(&field->label, look, &where);
    l->font = look->font;
    l->box = where.box;
    l->align = where.align;
    l->secret = (uint8_t)(field->flags & GORSE_FIELD_SECRET);
    l->wrap = (uint8_t)(field->lines > 1u && l->secret == 0u);
    l->shift = 0;
    l->latest = GORSE_NO_KEY;
    l->text = gorse_plain_text(field->variable != GORSE_NONE ? gorse_text_value(g, field->variable) : "");
    if (gorse_is_typed_into(g, number) == 0u)
        return;
    l->text = gorse_plain_text(gorse_typed_text(g));
    l->shift = typing->shift;
    if (typing->shows != 0u && typing->cursor != 0u)
        for (l->latest = (uint8_t)(typing->cursor - 1u); (gorse_text_byte(l->text, l->latest) & 0xc0u) == 0x80u;)
            l->latest--;
}

/* How wide a character of a secret is. */
static gorse_coord cell_of(const layout *l) { return (gorse_coord)(l->font->line_height * 5 / 8 + 1); }

/* Pixels of the text between two bytes of one line. */
static gorse_coord width_of(const layout *l, uint16_t from, uint16_t to) {
    gorse_pen pen;
    gorse_glyph glyph;
    gorse_coord x, width = 0;
    if (l->secret != 0u) {
        while (from < to && gorse_next_character(l->text, &from) != 0u)
            width = (gorse_coord)(width + cell_of(l));
        return width;
    }
    gorse_start_pen(&pen, l->font, l->text, from, 0);
    while (pen.at < to && gorse_next_glyph(&pen, &glyph, &x) != 0u) {
    }
    return pen.x;
}

/* The line that begins at `at`; 0 if it is the last one. */
static uint8_t next_line(const layout *l, uint16_t at, gorse_line *line) {
    uint8_t more;
    if (l->wrap != 0u) {
        more = gorse_next_line(l->font, l->text, at, 1, (gorse_coord)(l->box.x1 - l->box.x0), line);
    } else {
        more = 0;
        line->from = line->to = at;
        while (gorse_text_byte(l->text, line->to) != 0u)
            line->to++;
        line->next = line->to;
    }
    line->width = width_of(l, line->from, line->to);
    return more;
}

/* Where a line begins. */
static gorse_coord left_of(const layout *l, const gorse_line *line) {
    if (l->wrap != 0u || line->width > l->box.x1 - l->box.x0)
        return (gorse_coord)(l->box.x0 - (l->wrap != 0u ? 0 : l->shift));
    return gorse_placed(l->box.x0, l->box.x1, line->width, l->align);
}

/* The top of the first line. */
static gorse_coord top_of(const layout *l) {
    if (l->wrap != 0u)
        return (gorse_coord)(l->box.y0 - l->shift);
    return gorse_placed(l->box.y0, l->box.y1, (gorse_coord)l->font->line_height, GORSE_ALIGN_MIDDLE);
}

static gorse_coord cursor_width(const layout *l) { return l->font->line_height < 14u ? 1 : 2; }

/* A character of a secret is a square, but for the latest. */
static void draw_secret(const gorse_canvas *c, const layout *l, const gorse_line *line, gorse_coord top,
                        gorse_colour colour) {
    const gorse_coord cell = cell_of(l), side = (gorse_coord)(l->font->line_height * 3 / 8 + 1);
    gorse_coord left = left_of(l, line), x;
    uint16_t at = line->from;
    while (at < line->to) {
        gorse_rect square;
        if (at == l->latest) {
            gorse_pen pen;
            gorse_glyph glyph;
            gorse_start_pen(&pen, l->font, l->text, at, left);
            if (gorse_next_glyph(&pen, &glyph, &x) != 0u)
                gorse_draw_glyph(c, l->font, &glyph, x, top, colour);
        } else {
            square.x0 = gorse_placed(left, (gorse_coord)(left + cell), side, GORSE_ALIGN_MIDDLE);
            square.x1 = (gorse_coord)(square.x0 + side);
            square.y0 = gorse_placed(top, (gorse_coord)(top + l->font->line_height), side, GORSE_ALIGN_MIDDLE);
            square.y1 = (gorse_coord)(square.y0 + side);
            gorse_fill_rect(c, &square, colour);
        }
        left = (gorse_coord)(left + cell);
        if (gorse_next_character(l->text, &at) == 0u)
            break;
    }
}

static void draw_line(const gorse_canvas *c, const layout *l, const gorse_line *line, gorse_coord top,
                      gorse_colour colour) {
    gorse_pen pen;
    gorse_glyph glyph;
    gorse_coord x;
    if (l->secret != 0u) {
        draw_secret(c, l, line, top, colour);
        return;
    }
    gorse_start_pen(&pen, l->font, l->text, line->from, left_of(l, line));
    while (pen.at < line->to && gorse_next_glyph(&pen, &glyph, &x) != 0u)
        gorse_draw_glyph(c, l->font, &glyph, x, top, colour);
}

static void draw_cursor(const gorse_canvas *c, const layout *l, const gorse_line *line, gorse_coord top,
                        uint16_t cursor, gorse_colour colour) {
    gorse_rect bar;
    bar.x0 = gorse_min((gorse_coord)(left_of(l, line) + width_of(l, line->from, cursor)),
                       (gorse_coord)(l->box.x1 - cursor_width(l)));
    bar.x1 = (gorse_coord)(bar.x0 + cursor_width(l));
    bar.y0 = top;
    bar.y1 = (gorse_coord)(top + l->font->line_height);
    gorse_fill_rect(c, &bar, colour);
}

static GORSE_OWN_FRAME void draw_lines(const gorse_canvas *c, const gorse_widget_field *field, const gorse_look *look,
                                       const layout *l, uint16_t cursor) {
    const gorse_coord high = (gorse_coord)l->font->line_height;
    gorse_coord top = top_of(l);
    gorse_line line;
    uint8_t more;
    line.next = 0;
    do {
        more = next_line(l, line.next, &line);
        /* Accents may rise above the line, and other letters reach below it. */
        if ((int32_t)top - high < c->clip.y1 && (int32_t)top + 2 * (int32_t)high > c->clip.y0)
            draw_line(c, l, &line, top, look->text);
        if (cursor != GORSE_NONE && (cursor <= line.to || more == 0u)) {
            draw_cursor(c, l, &line, top, cursor, field->on_colour);
            cursor = GORSE_NONE;
        }
        top = (gorse_coord)(top + high);
    } while (more != 0u && top < c->clip.y1 + (int32_t)high);
}

static GORSE_OWN_FRAME void draw_frame(const gorse_canvas *c, const gorse_widget_field *field, const gorse_look *look,
                                       uint8_t typed_into) {
    gorse_look frame = *look;
    gorse_rect box;
    if (typed_into != 0u)
        frame.border = field->on_colour;
    gorse_widget_box(&field->label.widget, &box);
    gorse_draw_box(c, &box, &frame);
}

/* Fainter than what is typed, where anything mixes; there the cursor stands beside it. */
static GORSE_OWN_FRAME void draw_hint(const gorse_canvas *c, const gorse_widget_field *field, const gorse_look *look,
                                      uint8_t typed_into) {
    const uint8_t mixes = (uint8_t)(c->format->flags & GORSE_FORMAT_MIXES);
    gorse_text_box where;
    if (typed_into != 0u && mixes == 0u)
        return;
    gorse_text_widget_box(&field->label, look, &where);
    where.wrap = (uint8_t)(field->lines > 1u);
    where.place = where.wrap != 0u ? GORSE_ALIGN_START : GORSE_ALIGN_MIDDLE;
    gorse_draw_text(c, gorse_shown_text(c->run, &field->label), &where, look->font,
                    mixes != 0u ? (look->text & 0x00ffffffu) | 0x80000000u : look->text);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_field *field = field_of(widget);
    const gorse *g = c->run;
    const uint16_t number = gorse_control_number(g, widget);
    const uint8_t typed_into = gorse_is_typed_into(g, number);
    gorse_canvas inside = *c;
    layout l;
    draw_frame(c, field, look, typed_into);
    if (look->font == 0)
        return;
    lay_out(g, number, field, look, &l);
    if (gorse_clip(&inside.clip, &l.box) == 0u)
        return;
    if (gorse_text_byte(l.text, 0) == 0u)
        draw_hint(&inside, field, look, typed_into);
    draw_lines(&inside, field, look, &l, typed_into != 0u ? gorse_typing_of(g)->cursor : (uint16_t)GORSE_NONE);
}

/* Keeps what is `at` pixels from the beginning in sight of `room`, of `all`. */
static int16_t kept_in_sight(int32_t shift, int32_t at, int32_t size, int32_t room, int32_t all) {
    if (shift < at + size - room)
        shift = at + size - room;
    if (shift > at)
        shift = at;
    if (shift > all - room)
        shift = all - room;
    return (int16_t)(shift < 0 ? 0 : shift);
}

static GORSE_OWN_FRAME void aim_at_cursor(gorse *g, const gorse_widget_field *field, const gorse_look *look) {
    gorse_typing *typing = gorse_typing_of(g);
    gorse_line line;
    layout l;
    int32_t at = 0, all = 0;
    uint8_t more, found = 0;
    lay_out(g, typing->field, field, look, &l);
    line.next = 0;
    do {
        more = next_line(&l, line.next, &line);
        if (found == 0u && (typing->cursor <= line.to || more == 0u)) {
            found = 1;
            at = l.wrap != 0u ? all : width_of(&l, line.from, typing->cursor);
        }
        all += l.wrap != 0u ? l.font->line_height : line.width + cursor_width(&l);
    } while (more != 0u);
    typing->shift = l.wrap != 0u ? kept_in_sight(typing->shift, at, l.font->line_height, l.box.y1 - l.box.y0, all)
                                 : kept_in_sight(typing->shift, at, cursor_width(&l), l.box.x1 - l.box.x0, all);
}

GORSE_OWN_FRAME void gorse_show_cursor(gorse *g) {
    gorse_view view;
    gorse_see(g, gorse_typing_of(g)->field, &view);
    if (view.look->font != 0)
        aim_at_cursor(g, &view.record.field, view.look);
}

/* The byte in front of which a finger puts the cursor. */
static GORSE_OWN_FRAME uint8_t cursor_at(const gorse *g, uint16_t number, const gorse_view *view, gorse_coord x,
                                         gorse_coord y) {
    gorse_line line;
    layout l;
    gorse_coord left, bottom;
    uint16_t at;
    uint8_t more;
    if (view->look->font == 0)
        return 0;
    lay_out(g, number, field_of(view->widget), view->look, &l);
    bottom = top_of(&l);
    line.next = 0;
    do {
        more = next_line(&l, line.next, &line);
        bottom = (gorse_coord)(bottom + l.font->line_height);
    } while (more != 0u && y >= bottom);
    left = left_of(&l, &line);
    for (at = line.from; at < line.to;) {
        uint16_t next = at;
        if (gorse_next_character(l.text, &next) == 0u ||
            x < left + (width_of(&l, line.from, at) + width_of(&l, line.from, next)) / 2)
            break;
        at = next;
    }
    return (uint8_t)at;
}

static void touch(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    gorse_finger *finger = gorse_finger_of(g);
    /* A key opens it at its end. */
    if (what == GORSE_TOUCH_PRESS)
        finger->at = gorse_head_of(g)->down;
    if ((what == GORSE_TOUCH_MOVE && gorse_is_typed_into(g, number) != 0u) ||
        (what == GORSE_TOUCH_RELEASE && gorse_is_tap(g) != 0u))
        gorse_begin_typing(g, number,
                           finger->at != 0 ? cursor_at(g, number, view, finger->x, finger->y) : (uint8_t)255);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    (void)widget;
    (void)look;
    if (what == GORSE_COMMAND_ENTER)
        gorse_reset_typing(g);
}

/* Another text is in its variable. */
static uint8_t is_changed(const gorse *g, const gorse_widget_field *field) {
    const uint16_t number = (uint16_t)(g->scene->number_count + field->variable);
    return (uint8_t)(field->variable != GORSE_NONE &&
                     (gorse_changed_bits(g)[number >> 3] & (1u << (number & 7u))) != 0u);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    gorse_typing *typing = gorse_typing_of(g);
    const uint16_t number = gorse_control_number(g, widget);
    (void)look;
    if (gorse_is_typed_into(g, number) == 0u) {
        if (is_changed(g, field_of(widget)) != 0u)
            gorse_dirty_number(g, number);
    } else if (widget->visible == 0u || widget->enabled == 0u) {
        gorse_end_typing(g, 0);
    } else if (typing->shows != 0u && gorse_head_of(g)->now - typing->typed >= SHOWS_MS) {
        typing->shows = 0;
        gorse_dirty_number(g, number);
    }
    return 0;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    const gorse_typing *typing = gorse_typing_of(g);
    uint32_t passed;
    if (gorse_is_typed_into(g, gorse_control_number(g, widget)) == 0u || typing->shows == 0u)
        return GORSE_FOREVER;
    passed = gorse_head_of(g)->now - typing->typed;
    return passed >= SHOWS_MS ? 0u : SHOWS_MS - passed;
}

/* While it is typed into it is on. */
static uint8_t states(const gorse *g, gorse_record *record) {
    return gorse_is_typed_into(g, gorse_control_number(g, &record->widget)) != 0u ? (uint8_t)GORSE_STATE_ON
                                                                                  : (uint8_t)0;
}

const GORSE_ROM gorse_control_kind gorse_kind_field = {
    {sizeof(gorse_widget_field), GORSE_KIND_HAS_TEXT | GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL, draw, command, tick,
     wait},
    states,
    touch};
