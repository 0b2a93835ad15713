/* SPDX-License-Identifier: MIT */
/* What gauges do, and how their scale and a drawn needle look. Their state is where the needle is, and where it is
 * going to. */
#include "gorse_gauge.h"

#include "gorse_blade.h"
#include "gorse_text.h"

static const gorse_widget_gauge *gauge_of(const gorse_widget *widget) {
    return (const gorse_widget_gauge *)(const void *)widget;
}

/* The smaller of a radius and of what there is room for between the pivot and an edge. */
static int32_t with_room(int32_t radius, int32_t pixels, int16_t each) {
    const int32_t bounded = pixels < 0 ? 0 : pixels > 32767 ? 32767 : pixels, room = bounded * each / 8;
    return room < radius ? room : radius;
}

void gorse_measure_dial(const gorse_widget_gauge *gauge, gorse_dial *out) {
    int32_t x, y;
    out->of = gauge;
    out->face = gauge->face;
    gorse_widget_box(&gauge->shown.widget, &out->box);
    x = gorse_pivot_at(out->box.x0, out->box.x1, gauge->face[GORSE_GAUGE_PIVOT_X]);
    y = gorse_pivot_at(out->box.y0, out->box.y1, gauge->face[GORSE_GAUGE_PIVOT_Y]);
    out->pivot.x = x * GORSE_FINE;
    out->pivot.y = y * GORSE_FINE;
    out->radius = with_room(32767 * (int32_t)GORSE_FINE, x - out->box.x0, gauge->face[GORSE_GAUGE_ROOM_LEFT]);
    out->radius = with_room(out->radius, out->box.x1 - x, gauge->face[GORSE_GAUGE_ROOM_RIGHT]);
    out->radius = with_room(out->radius, y - out->box.y0, gauge->face[GORSE_GAUGE_ROOM_ABOVE]);
    out->radius = with_room(out->radius, out->box.y1 - y, gauge->face[GORSE_GAUGE_ROOM_BELOW]);
}

/* Where the ticks begin: inside the zones and a space as wide. */
static int32_t tick_radius(const gorse_dial *d) {
    return d->radius - (int32_t)d->face[GORSE_GAUGE_ZONE_WIDTH] * (2 * GORSE_FINE);
}

static int32_t needle_length(const gorse_dial *d) {
    const int32_t length = (int32_t)d->face[GORSE_GAUGE_NEEDLE_LENGTH] * GORSE_FINE;
    const int32_t to_ticks = tick_radius(d) - (int32_t)d->face[GORSE_GAUGE_TICK_LENGTH] * (GORSE_FINE / 2);
    return length != 0 ? length : to_ticks > 0 ? to_ticks : 0;
}

static uint16_t sweep_of(const gorse_dial *d) {
    return (uint16_t)((uint16_t)d->face[GORSE_GAUGE_SWEEP] * GORSE_DEGREE);
}

/* The angle of a distance along the sweep. */
static uint16_t angle_at(const gorse_dial *d, uint16_t distance) {
    return (uint16_t)(((uint32_t)(uint16_t)d->face[GORSE_GAUGE_FROM_ANGLE] * GORSE_DEGREE + distance) % GORSE_TURN);
}

static void circle(const gorse_dial *d, int32_t radius, gorse_ellipse *out) {
    out->centre = d->pivot;
    out->radius.x = out->radius.y = radius > 0 ? radius : 0;
}

/* The point so many 1/64 pixels from the pivot. */
static void polar(const gorse_dial *d, int32_t radius, uint16_t angle, gorse_fine *out) {
    gorse_polar(&d->pivot, radius, angle, out);
}

static void needle_at(const gorse_dial *d, uint16_t angle, gorse_hand *out) {
    out->pivot = d->pivot;
    out->length = needle_length(d);
    out->tail = (int32_t)d->face[GORSE_GAUGE_NEEDLE_TAIL] * GORSE_FINE;
    out->half = (int32_t)d->face[GORSE_GAUGE_NEEDLE_WIDTH] * (GORSE_FINE / 2);
    out->angle = angle;
}

static GORSE_OWN_FRAME void mark_needle(gorse *g, const gorse_dial *d, uint16_t angle) {
    gorse_hand needle;
    needle_at(d, angle, &needle);
    gorse_mark_hand(g, &needle, &d->box);
}

static void get_state(const gorse *g, const gorse_widget *widget, gorse_gauge_state *state) {
    memcpy(state, gorse_widget_state(g, widget), sizeof *state);
}

static void put_state(gorse *g, const gorse_widget *widget, const gorse_gauge_state *state) {
    memcpy(gorse_widget_state(g, widget), state, sizeof *state);
}

static uint16_t target_now(const gorse *g, const gorse_dial *d) {
    return gorse_scaled_value(&d->of->shown, gorse_shown_value(g, &d->of->shown), sweep_of(d));
}

/* Fast at first, then slower: from + way * (1 - (1 - t)^2). A step that comes late ends at the same place. */
static uint16_t settled(const gorse_gauge_state *state, uint32_t passed, uint16_t settle) {
    const int32_t way = (int32_t)state->target - state->from;
    uint32_t left;
    if (passed >= settle)
        return state->target;
    left = 256u - passed * 256u / settle;
    return (uint16_t)((int32_t)state->target - way * (int32_t)(left * left / 256u) / 256);
}

void gorse_gauge_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    gorse_gauge_state state;
    gorse_dial d;
    (void)look;
    if (what != GORSE_COMMAND_ENTER)
        return;
    gorse_measure_dial(gauge_of(widget), &d);
    memset(&state, 0, sizeof state);
    state.shown = state.from = state.target = target_now(g, &d);
    put_state(g, widget, &state);
}

uint8_t gorse_gauge_tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const uint32_t now = gorse_head_of(g)->now;
    gorse_gauge_state state;
    uint16_t target, before;
    gorse_dial d;
    (void)look;
    gorse_measure_dial(gauge_of(widget), &d);
    get_state(g, widget, &state);
    before = state.shown;
    target = target_now(g, &d);
    if (target != state.target) {
        state.from = state.shown;
        state.target = target;
        state.since = now;
    }
    state.shown = settled(&state, now - state.since, (uint16_t)d.face[GORSE_GAUGE_SETTLE]);
    put_state(g, widget, &state);
    if (before != state.shown && widget->visible != 0u) {
        mark_needle(g, &d, angle_at(&d, before));
        mark_needle(g, &d, angle_at(&d, state.shown));
    }
    return 0;
}

uint32_t gorse_gauge_wait(const gorse *g, const gorse_widget *widget) {
    gorse_gauge_state state;
    (void)g;
    get_state(g, widget, &state);
    return state.shown == state.target ? GORSE_FOREVER : 0u;
}

/* The corners at one end of a tick: half its width to both sides. */
static void tick_end(const gorse_dial *d, int32_t radius, uint16_t angle, int32_t half, uint8_t is_thin,
                     gorse_fine *left, gorse_fine *right) {
    gorse_ellipse end;
    end.radius.x = end.radius.y = half;
    polar(d, radius, angle, &end.centre);
    /* One whole pixel in each row, or in each column, is what lies there. */
    if (is_thin != 0u)
        angle = (uint16_t)((angle + GORSE_TURN / 8u) % (GORSE_TURN / 2u) < GORSE_TURN / 4u ? 0u : GORSE_TURN / 4u);
    gorse_point_at(&end, gorse_quarters_on(angle, 3), left);
    gorse_point_at(&end, gorse_quarters_on(angle, 1), right);
}

/* A stroke of so many 1/64 pixels across and along, from the ticks' beginning inwards. */
static void draw_tick(const gorse_canvas *c, const gorse_dial *d, uint16_t angle, int32_t width, int32_t length,
                      gorse_colour colour) {
    const uint8_t is_thin = (uint8_t)(c->format->bits == 1u && width == GORSE_FINE);
    gorse_blade b;
    tick_end(d, tick_radius(d), angle, width / 2, is_thin, &b.corners[0], &b.corners[1]);
    tick_end(d, tick_radius(d) - length, angle, width / 2, is_thin, &b.corners[3], &b.corners[2]);
    gorse_draw_blade(c, &b, colour);
}

/* The same colour, less of it. */
static gorse_colour faded(gorse_colour colour) {
    return (colour & 0xffffffu) | (gorse_colour)gorse_scale8(gorse_alpha(colour), 150) << 24;
}

static GORSE_OWN_FRAME void draw_ticks(const gorse_canvas *c, const gorse_dial *d, gorse_colour colour) {
    const uint16_t small = (uint16_t)d->face[GORSE_GAUGE_SMALL_TICKS];
    const uint16_t count = (uint16_t)((uint16_t)d->face[GORSE_GAUGE_TICKS] * small);
    const int32_t width = (int32_t)d->face[GORSE_GAUGE_TICK_WIDTH] * GORSE_FINE;
    const int32_t length = (int32_t)d->face[GORSE_GAUGE_TICK_LENGTH] * GORSE_FINE;
    uint16_t i;
    if (count == 0u)
        return;
    for (i = 0; i <= count; i++) {
        const uint16_t angle = angle_at(d, (uint16_t)((uint32_t)sweep_of(d) * i / count));
        if (i % small == 0u)
            draw_tick(c, d, angle, width, length, colour);
        else
            draw_tick(c, d, angle, width > GORSE_FINE ? width / 2 : width, length / 2, faded(colour));
    }
}

static GORSE_OWN_FRAME void draw_zones(const gorse_canvas *c, const gorse_dial *d) {
    const GORSE_ROM int32_t *zone = d->of->shown.limits + GORSE_GAUGE_FIRST_ZONE;
    const uint16_t sweep = sweep_of(d);
    gorse_sector s;
    uint8_t i;
    circle(d, d->radius, &s.outer);
    gorse_smaller_ellipse(&s.outer, (int32_t)d->face[GORSE_GAUGE_ZONE_WIDTH] * GORSE_FINE, &s.hole);
    s.border = 0;
    s.ends = GORSE_ENDS_FLAT;
    for (i = 0; i < d->face[GORSE_GAUGE_ZONES]; i++, zone += GORSE_ZONE_NUMBERS) {
        const uint16_t from = gorse_scaled_value(&d->of->shown, zone[GORSE_ZONE_FROM], sweep);
        const uint16_t to = gorse_scaled_value(&d->of->shown, zone[GORSE_ZONE_TO], sweep);
        s.from = angle_at(d, from);
        s.to = angle_at(d, to);
        if (from < to)
            gorse_fill_outline(c, &d->box, gorse_add_sector, &s, (gorse_colour)zone[GORSE_ZONE_COLOUR]);
    }
}

/* A text whose edge towards the ticks is so many pixels inside them. */
static GORSE_OWN_FRAME void draw_label(const gorse_canvas *c, const gorse_dial *d, uint16_t angle,
                                       gorse_text_source text, const gorse_look *look) {
    const int32_t inside = tick_radius(d) - (int32_t)d->face[GORSE_GAUGE_TICK_LENGTH] * GORSE_FINE - 3 * GORSE_FINE;
    gorse_text_box where;
    gorse_ellipse half;
    gorse_fine middle;
    gorse_line line;
    (void)gorse_next_line(look->font, text, 0, 0, 0, &line);
    /* The middle moves in an ellipse inside that has the room of half the text. */
    half.centre = d->pivot;
    half.radius.x = inside - (int32_t)line.width * (GORSE_FINE / 2);
    half.radius.y = inside - (int32_t)look->font->line_height * (GORSE_FINE * 3 / 8);
    if (half.radius.x <= 0 || half.radius.y <= 0)
        return;
    gorse_point_at(&half, angle, &middle);
    where.box.x0 = (gorse_coord)(gorse_pixel_of(middle.x) - line.width / 2);
    where.box.x1 = (gorse_coord)(where.box.x0 + line.width);
    where.box.y0 = (gorse_coord)(gorse_pixel_of(middle.y) - look->font->line_height / 2);
    where.box.y1 = (gorse_coord)(where.box.y0 + look->font->line_height);
    where.align = where.place = GORSE_ALIGN_START;
    where.wrap = 0;
    gorse_draw_text(c, text, &where, look->font, look->text);
}

/* Writes a label; room for 16 bytes. */
static GORSE_OWN_FRAME void put_label(const gorse_dial *d, uint16_t number, char *out) {
    const int32_t value =
        d->of->shown
            .limits[(uint16_t)(GORSE_GAUGE_FIRST_ZONE + d->face[GORSE_GAUGE_ZONES] * GORSE_ZONE_NUMBERS) + number];
    gorse_writer to;
    to.out = out;
    to.at = 0;
    to.room = 15;
    gorse_put_digits(&to, value < 0 ? 0u - (uint32_t)value : (uint32_t)value, 1, (uint8_t)d->face[GORSE_GAUGE_DECIMALS],
                     0, (uint8_t)(value < 0));
    out[to.at] = 0;
}

static GORSE_OWN_FRAME void draw_labels(const gorse_canvas *c, const gorse_dial *d, const gorse_look *look) {
    char words[16];
    uint16_t i;
    if (look->font == 0)
        return;
    for (i = 0; i < (uint16_t)d->face[GORSE_GAUGE_LABELS]; i++) {
        put_label(d, i, words);
        draw_label(c, d, angle_at(d, (uint16_t)((uint32_t)sweep_of(d) * i / (uint16_t)d->face[GORSE_GAUGE_TICKS])),
                   gorse_plain_text(words), look);
    }
}

uint16_t gorse_needle_angle(const gorse *g, const gorse_dial *d) {
    gorse_gauge_state state;
    get_state(g, &d->of->shown.widget, &state);
    return angle_at(d, state.shown);
}

static GORSE_OWN_FRAME void draw_hand(const gorse_canvas *c, const gorse_dial *d) {
    gorse_hand needle;
    needle_at(d, gorse_needle_angle(c->run, d), &needle);
    gorse_draw_hand(c, &needle, (gorse_colour)d->of->shown.limits[GORSE_GAUGE_NEEDLE_COLOUR]);
}

void gorse_draw_needle(const gorse_canvas *c, const gorse_dial *d) {
    draw_hand(c, d);
    gorse_draw_hub(c, &d->pivot, (int32_t)d->face[GORSE_GAUGE_HUB] * (GORSE_FINE / 2), &d->box,
                   (gorse_colour)d->of->shown.limits[GORSE_GAUGE_HUB_COLOUR]);
}

void gorse_draw_scale(const gorse_canvas *c, const gorse_dial *d, const gorse_look *look) {
    draw_zones(c, d);
    draw_ticks(c, d, look->text);
    if (d->face[GORSE_GAUGE_LABELS] != 0)
        draw_labels(c, d, look);
}
