/* SPDX-License-Identifier: MIT */
/* What a panel's settings change in a drawn strip, shared by the files that turn one. */
#ifndef GORSE_TURN_H
#define GORSE_TURN_H

#include "gorse_draw.h"

/* In this order: rows and columns exchanged, columns mirrored, rows mirrored, all inverted. */
typedef struct gorse_turning {
    uint8_t exchanges, mirrors_columns, mirrors_rows, inverts;
    uint16_t width, height; /* of the panel's memory */
} gorse_turning;

static inline gorse_turning gorse_turning_of(const GORSE_ROM gorse_panel *panel) {
    uint8_t quarter = panel->quarter_turns;
    uint8_t mirror_x = (uint8_t)((panel->flags & GORSE_PANEL_MIRROR_X) != 0u);
    uint8_t mirror_y = (uint8_t)((panel->flags & GORSE_PANEL_MIRROR_Y) != 0u);
    gorse_turning t;
    t.exchanges = quarter & 1u;
    t.mirrors_columns = (uint8_t)((quarter == 1u || quarter == 2u) != mirror_x);
    t.mirrors_rows = (uint8_t)((quarter == 2u || quarter == 3u) != mirror_y);
    t.inverts = (uint8_t)((panel->flags & GORSE_PANEL_INVERT) != 0u);
    t.width = t.exchanges != 0u ? panel->height : panel->width;
    t.height = t.exchanges != 0u ? panel->width : panel->height;
    return t;
}

/* Where the strip then lies. */
static inline void gorse_exchange_sides(gorse_strip *s) {
    uint16_t kept = s->w;
    s->w = s->h;
    s->h = kept;
    kept = s->x;
    s->x = s->y;
    s->y = kept;
}

static inline void gorse_mirror_x(gorse_strip *s, const gorse_turning *t) { s->x = (uint16_t)(t->width - s->x - s->w); }
static inline void gorse_mirror_y(gorse_strip *s, const gorse_turning *t) {
    s->y = (uint16_t)(t->height - s->y - s->h);
}

static inline void gorse_invert_bytes(uint8_t *bytes, uint32_t count) {
    while (count-- != 0u) {
        *bytes = (uint8_t) ~*bytes;
        bytes++;
    }
}

static inline void gorse_swap_bytes(uint8_t *a, uint8_t *b) {
    uint8_t kept = *a;
    *a = *b;
    *b = kept;
}

#endif
