/* SPDX-License-Identifier: MIT */
/* A light that is on by a value, or has the colour of the zone that the value is in. */
#include "gorse_cover.h"
#include "gorse_internal.h"

enum { DARK = 0, LIT = 1, FIRST_ZONE = 2 };

static const gorse_widget_lamp *lamp_of(const gorse_widget *widget) {
    return (const gorse_widget_lamp *)(const void *)widget;
}

static const GORSE_ROM int32_t *zones_of(const gorse_widget_lamp *lamp) { return lamp->shown.limits + 2; }

/* What it shows while it does not blink. */
static uint8_t steady(const gorse *g, const gorse_widget_lamp *lamp) {
    const int32_t value = gorse_shown_value(g, &lamp->shown);
    uint8_t zone;
    if (lamp->zone_count == 0u)
        return (uint8_t)(value != 0 ? LIT : DARK);
    zone = gorse_zone_of(zones_of(lamp), lamp->zone_count, value);
    return (uint8_t)(zone < lamp->zone_count ? FIRST_ZONE + zone : DARK);
}

static uint8_t shown_now(const gorse *g, const gorse_widget_lamp *lamp) {
    /* All that blink alike do so together. */
    if (lamp->blink != 0u && (gorse_head_of(g)->now / lamp->blink) % 2u != 0u)
        return DARK;
    return steady(g, lamp);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    (void)look;
    if (what == GORSE_COMMAND_ENTER)
        *gorse_widget_state(g, widget) = (char)shown_now(g, lamp_of(widget));
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const uint8_t now = shown_now(g, lamp_of(widget));
    (void)look;
    if ((uint8_t)*gorse_widget_state(g, widget) != now) {
        *gorse_widget_state(g, widget) = (char)now;
        gorse_dirty_widget(g, widget);
    }
    return 0;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    const gorse_widget_lamp *lamp = lamp_of(widget);
    if (lamp->blink == 0u || steady(g, lamp) == DARK)
        return GORSE_FOREVER;
    return lamp->blink - gorse_head_of(g)->now % lamp->blink;
}

/* A reflection near the top of a lit one that is large enough. */
static GORSE_OWN_FRAME void draw_shine(const gorse_canvas *c, const gorse_rect *box) {
    const gorse_coord w = (gorse_coord)(box->x1 - box->x0), h = (gorse_coord)(box->y1 - box->y0);
    gorse_look shine;
    gorse_rect bar;
    if (gorse_min(w, h) < 12 || c->format->bits < 4u)
        return;
    memset(&shine, 0, sizeof shine);
    shine.fill = 0xa0ffffffu;
    bar.x0 = (gorse_coord)(box->x0 + w * 5 / 16);
    bar.x1 = (gorse_coord)(box->x0 + w * 9 / 16);
    bar.y0 = (gorse_coord)(box->y0 + h * 3 / 16);
    bar.y1 = (gorse_coord)(bar.y0 + gorse_max(2, (gorse_coord)(h / 10)));
    shine.radius = (uint8_t)gorse_min(255, (gorse_coord)((bar.y1 - bar.y0) / 2));
    gorse_draw_box(c, &bar, &shine);
}

static GORSE_OWN_FRAME void draw_round(const gorse_canvas *c, const gorse_rect *box, const gorse_look *body) {
    gorse_sector disc;
    gorse_ellipse_in(box, &disc.outer);
    disc.hole.centre = disc.outer.centre;
    disc.hole.radius.x = disc.hole.radius.y = 0;
    disc.from = disc.to = 0;
    disc.border = body->border_width;
    disc.ends = GORSE_ENDS_FLAT;
    gorse_draw_outline(c, box, gorse_add_sector, gorse_add_sector_border, &disc, body);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_lamp *lamp = lamp_of(widget);
    const uint8_t shown = (uint8_t)*gorse_widget_state(c->run, widget);
    gorse_look body = *look;
    gorse_rect box;
    gorse_widget_box(widget, &box);
    if (gorse_is_empty(&box) != 0u)
        return;
    if (shown == LIT)
        body.fill = look->text;
    else if (shown >= FIRST_ZONE && shown - FIRST_ZONE < lamp->zone_count)
        body.fill = (gorse_colour)zones_of(lamp)[(shown - FIRST_ZONE) * GORSE_ZONE_NUMBERS + GORSE_ZONE_COLOUR];
    if (lamp->shape == GORSE_LAMP_SQUARE)
        gorse_draw_box(c, &box, &body);
    else
        draw_round(c, &box, &body);
    if (shown != DARK)
        draw_shine(c, &box);
}

const GORSE_ROM gorse_kind gorse_kind_lamp = {sizeof(gorse_widget_lamp), 0, draw, command, tick, wait};
