/* SPDX-License-Identifier: MIT */
/* An area between points. */
#include "gorse_cover.h"

typedef struct polygon_shape {
    const gorse_widget_polygon *of;
    gorse_fine origin; /* of the box */
    int32_t border;    /* 1/64 pixel; 0: none, or nothing is left inside it */
} polygon_shape;

/* A point, moved inside by so many 1/64 pixels from both edges. */
static void point_of(const polygon_shape *s, uint_fast8_t number, int32_t inside, gorse_fine *out) {
    const GORSE_ROM int16_t *point = s->of->points + (uint16_t)number * GORSE_POINT_NUMBERS;
    out->x = s->origin.x + (int32_t)point[GORSE_POINT_X] * GORSE_FINE - inside * point[GORSE_POINT_MITRE_X] / 4096;
    out->y = s->origin.y + (int32_t)point[GORSE_POINT_Y] * GORSE_FINE - inside * point[GORSE_POINT_MITRE_Y] / 4096;
}

static void add_edges(gorse_cover *to, const polygon_shape *s, int32_t inside, int_fast8_t way) {
    const uint_fast8_t count = s->of->point_count;
    gorse_fine from, end;
    uint_fast8_t i;
    if (count == 0u)
        return;
    point_of(s, (uint_fast8_t)(count - 1u), inside, &from);
    for (i = 0; i < count; i++, from = end) {
        point_of(s, i, inside, &end);
        if (way == GORSE_CLOCKWISE)
            gorse_cover_line(to, &from, &end);
        else
            gorse_cover_line(to, &end, &from);
    }
}

static void add_polygon(gorse_cover *to, const void *shape) {
    add_edges(to, (const polygon_shape *)shape, 0, GORSE_CLOCKWISE);
}

static void add_border(gorse_cover *to, const void *shape) {
    const polygon_shape *s = (const polygon_shape *)shape;
    add_edges(to, s, 0, GORSE_CLOCKWISE);
    if (s->border != 0)
        add_edges(to, s, s->border, GORSE_ANTICLOCKWISE);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    polygon_shape s;
    gorse_rect box;
    gorse_widget_box(widget, &box);
    s.of = (const gorse_widget_polygon *)(const void *)widget;
    s.origin.x = (int32_t)box.x0 * GORSE_FINE;
    s.origin.y = (int32_t)box.y0 * GORSE_FINE;
    s.border = (int32_t)look->border_width * GORSE_FINE;
    if (s.border >= (int32_t)s.of->border_limit)
        s.border = 0;
    gorse_draw_outline(c, &box, add_polygon, add_border, &s, look);
}

const GORSE_ROM gorse_kind gorse_kind_polygon = {sizeof(gorse_widget_polygon), 0, draw, 0, 0, 0};
