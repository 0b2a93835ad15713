/* SPDX-License-Identifier: MIT */
/* A number made to be read, with its unit; words instead of it where it is out of its range. Its state is the value
 * that it shows. */
#include "gorse_readout.h"
#include "gorse_text.h"

enum { MAX_DIGITS = 10, BELOW = 1, ABOVE = 2 };

static const gorse_widget_readout *readout_of(const gorse_widget *widget) {
    return (const gorse_widget_readout *)(const void *)widget;
}

static uint8_t form_of(const gorse_widget_readout *r, uint8_t number) { return (uint8_t)r->form[number]; }

/* The unit, or the words with that number. */
static const GORSE_ROM uint8_t *words_of(const gorse_widget_readout *r, uint8_t number) {
    const GORSE_ROM uint8_t *words = r->words;
    for (; number != 0u; number--)
        while (*words++ != 0u) {
        }
    return words;
}

/* The digit with `place` digits behind it. */
static uint8_t digit_at(uint32_t size, uint8_t place) { return (uint8_t)(size / gorse_power_of_ten(place) % 10u); }

static GORSE_OWN_FRAME void put_whole(gorse_writer *to, const gorse_widget_readout *r, uint32_t size) {
    const uint8_t lead = form_of(r, GORSE_READOUT_LEAD), mark = form_of(r, GORSE_READOUT_THOUSANDS);
    uint_fast8_t at = MAX_DIGITS, shown = 0;
    while (at-- != 0u) {
        const uint8_t digit = digit_at(size, (uint8_t)at);
        if (digit == 0u && shown == 0u && at != 0u &&
            (at >= form_of(r, GORSE_READOUT_DIGITS) || lead == GORSE_LEAD_NONE))
            continue;
        if (digit != 0u || at == 0u || lead == GORSE_LEAD_ZEROS)
            shown = 1;
        gorse_put(to, (uint8_t)(shown != 0u ? '0' + digit : ' '));
        if (shown != 0u && mark != 0u && at != 0u && at % 3u == 0u)
            gorse_put(to, mark);
    }
}

static GORSE_OWN_FRAME void put_number(const gorse_widget_readout *r, int32_t value, char *out) {
    const uint32_t divisor = gorse_power_of_ten(form_of(r, GORSE_READOUT_COARSER));
    uint32_t size = value < 0 ? 0u - (uint32_t)value : (uint32_t)value;
    uint_fast8_t at = form_of(r, GORSE_READOUT_DECIMALS), zeros = form_of(r, GORSE_READOUT_ZEROS);
    gorse_writer to;
    to.out = out;
    to.at = 0;
    to.room = GORSE_READOUT_BYTES - 1;
    size = size / divisor + (uint32_t)(divisor > 1u && size % divisor >= divisor - size % divisor);
    if (size != 0u && (value < 0 || form_of(r, GORSE_READOUT_SIGN) != 0u))
        gorse_put(&to, (uint8_t)(value < 0 ? '-' : '+'));
    put_whole(&to, r, size / gorse_power_of_ten((uint8_t)at));
    if ((at | zeros) != 0u)
        gorse_put(&to, '.');
    while (at-- != 0u)
        gorse_put(&to, (uint8_t)('0' + digit_at(size, (uint8_t)at)));
    while (zeros-- != 0u)
        gorse_put(&to, '0');
    out[to.at] = 0;
}

/* The number of the words that are shown instead of a value; 0 if the number itself is shown. */
static uint8_t words_for(const gorse_widget_readout *r, int32_t value) {
    const uint8_t words = value < r->shown.limits[0] ? BELOW : value > r->shown.limits[1] ? ABOVE : 0;
    return (uint8_t)(words != 0u && *words_of(r, words) != 0u ? words : 0);
}

static uint8_t is_wrong(const gorse_widget_readout *r, int32_t value) {
    return (uint8_t)(value < r->shown.limits[0] || value > r->shown.limits[1]);
}

/* What is shown of a value; a number is written to `room`, GORSE_READOUT_BYTES of it. */
static gorse_text_source shown_of(const gorse_widget_readout *r, int32_t value, char *room) {
    const int32_t min = r->shown.limits[0], max = r->shown.limits[1];
    const uint8_t words = words_for(r, value);
    if (words != 0u)
        return gorse_rom_text(words_of(r, words));
    put_number(r, value < min ? min : value > max ? max : value, room);
    return gorse_plain_text(room);
}

static gorse_coord width_of(gorse_text_source text, const GORSE_ROM gorse_font *font) {
    gorse_line line;
    (void)gorse_next_line(font, text, 0, 0, 0, &line);
    return line.width;
}

static uint_fast8_t has_unit(const gorse_widget_readout *r, int32_t value) {
    return (uint_fast8_t)(*r->words != 0u && r->unit_font != 0 && words_for(r, value) == 0u);
}

/* Where the text of a value is: its box begins where it begins, or ends where it ends. The unit is behind it. */
static GORSE_OWN_FRAME void place(const gorse_widget_readout *r, const gorse_look *look, int32_t value,
                                  gorse_text_source text, gorse_text_box *out) {
    gorse_coord unit;
    gorse_widget_box(&r->shown.widget, &out->box);
    gorse_shrink(&out->box, (gorse_coord)(look->border_width + look->padding));
    out->align = form_of(r, GORSE_READOUT_ALIGN);
    out->place = form_of(r, GORSE_READOUT_PLACE);
    out->wrap = 0;
    if (has_unit(r, value) == 0u || look->font == 0)
        return;
    unit = (gorse_coord)(form_of(r, GORSE_READOUT_GAP) + width_of(gorse_rom_text(r->words), r->unit_font));
    if (out->align == GORSE_ALIGN_END) {
        out->box.x1 = (gorse_coord)(out->box.x1 - unit);
    } else {
        const gorse_coord number = width_of(text, look->font);
        out->box.x0 = gorse_placed(out->box.x0, out->box.x1, (gorse_coord)(number + unit), out->align);
        out->box.x1 = (gorse_coord)(out->box.x0 + number);
        out->align = GORSE_ALIGN_START;
    }
}

void gorse_readout_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    const int32_t value = gorse_shown_value(g, &readout_of(widget)->shown);
    (void)look;
    if (what == GORSE_COMMAND_ENTER)
        memcpy(gorse_widget_state(g, widget), &value, sizeof value);
}

typedef struct target {
    gorse *g;
    gorse_rect box;
} target;

static void mark_part(void *to, const gorse_rect *area) {
    target *t = (target *)to;
    gorse_rect part = *area;
    if (gorse_clip(&part, &t->box) != 0u)
        gorse_dirty(t->g, &part);
}

/* Marks only the digits that differ. Returns 0 if all of them move. */
static GORSE_OWN_FRAME uint8_t mark_digits(gorse *g, const gorse_widget_readout *r, const gorse_look *look,
                                           int32_t before, int32_t now) {
    char room[GORSE_READOUT_BYTES];
    const gorse_text_source old = shown_of(r, before, gorse_scratch(g)), fresh = shown_of(r, now, room);
    gorse_text_box where;
    gorse_coord x0, x1;
    target to;
    place(r, look, before, old, &where);
    x0 = where.box.x0;
    x1 = where.box.x1;
    place(r, look, now, fresh, &where);
    if (where.box.x0 != x0 || where.box.x1 != x1)
        return 0;
    to.g = g;
    gorse_widget_box(&r->shown.widget, &to.box);
    gorse_text_difference(old, fresh, &where, look->font, mark_part, &to);
    return 1;
}

uint8_t gorse_readout_tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_readout *r = readout_of(widget);
    const int32_t now = gorse_shown_value(g, &r->shown);
    int32_t before;
    memcpy(&before, gorse_widget_state(g, widget), sizeof before);
    memcpy(gorse_widget_state(g, widget), &now, sizeof now);
    if (before == now || widget->visible == 0u)
        return 0;
    if (is_wrong(r, before) != 0u || is_wrong(r, now) != 0u || mark_digits(g, r, look, before, now) == 0u)
        gorse_dirty_widget(g, widget);
    return 0;
}

static GORSE_OWN_FRAME void draw_unit(const gorse_canvas *c, const gorse_widget_readout *r, const gorse_look *look,
                                      const gorse_text_box *number) {
    const gorse_colour own = (gorse_colour)r->shown.limits[GORSE_READOUT_UNIT_COLOUR];
    gorse_text_box unit = *number;
    unit.box.x0 = (gorse_coord)(number->box.x1 + form_of(r, GORSE_READOUT_GAP));
    unit.box.y0 = (gorse_coord)(gorse_placed(unit.box.y0, unit.box.y1, look->font->line_height, unit.place) +
                                r->form[GORSE_READOUT_UNIT_DROP]);
    unit.align = unit.place = GORSE_ALIGN_START;
    gorse_draw_text(c, gorse_rom_text(r->words), &unit, r->unit_font, own != 0u ? own : look->text);
}

GORSE_OWN_FRAME void gorse_look_when_wrong(const gorse_look *look, gorse_look *out) {
    const GORSE_ROM gorse_look_state *state = look->states;
    uint8_t i;
    *out = *look;
    for (i = look->state_count; i != 0u; i--, state++)
        if (state->when == GORSE_STATE_WRONG)
            gorse_copy_rom(out, state->look, sizeof *out);
}

void gorse_draw_readout(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_readout *r = readout_of(widget);
    char room[GORSE_READOUT_BYTES];
    gorse_text_source text;
    gorse_text_box where;
    gorse_look wrong;
    int32_t value;
    memcpy(&value, gorse_widget_state(c->run, widget), sizeof value);
    if (is_wrong(r, value) != 0u) {
        gorse_look_when_wrong(look, &wrong);
        look = &wrong;
    }
    gorse_widget_box(widget, &where.box);
    gorse_draw_box(c, &where.box, look);
    text = shown_of(r, value, room);
    place(r, look, value, text, &where);
    gorse_draw_text(c, text, &where, look->font, look->text);
    if (has_unit(r, value) != 0u && look->font != 0)
        draw_unit(c, r, look, &where);
}

const GORSE_ROM gorse_kind gorse_kind_readout = {sizeof(gorse_widget_readout), 0,
                                                 gorse_draw_readout,           gorse_readout_command,
                                                 gorse_readout_tick,           gorse_wait_for_value};
