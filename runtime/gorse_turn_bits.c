/* SPDX-License-Identifier: MIT */
/* Turns, mirrors, inverts a drawn strip of packed rows in place, pixel by pixel. */
#include <string.h>

#include "gorse_turn.h"

typedef struct packing {
    uint8_t bits, low_first;
} packing;

static uint32_t row_bytes(uint16_t w, packing p) { return ((uint32_t)w * p.bits + 7u) >> 3; }

static uint8_t shift_of(uint16_t x, packing p) {
    uint8_t bit = (uint8_t)((uint32_t)x * p.bits & 7u);
    return (uint8_t)(p.low_first != 0u ? bit : 8u - p.bits - bit);
}

static uint8_t get(const gorse_strip *s, packing p, uint16_t x, uint16_t y) {
    uint8_t byte = s->pixels[y * s->stride + ((uint32_t)x * p.bits >> 3)];
    return (uint8_t)((uint8_t)(byte >> shift_of(x, p)) & (uint8_t)((1u << p.bits) - 1u));
}

static void put(const gorse_strip *s, packing p, uint16_t x, uint16_t y, uint8_t value) {
    uint8_t *byte = &s->pixels[y * s->stride + ((uint32_t)x * p.bits >> 3)];
    uint8_t shift = shift_of(x, p);
    uint8_t whole = (uint8_t)((uint8_t)((1u << p.bits) - 1u) << shift);
    *byte = (uint8_t)((*byte & (uint8_t)~whole) | (uint8_t)(value << shift));
}

static void swap(const gorse_strip *s, packing p, uint16_t x0, uint16_t y0, uint16_t x1, uint16_t y1) {
    uint8_t kept = get(s, p, x0, y0);
    put(s, p, x0, y0, get(s, p, x1, y1));
    put(s, p, x1, y1, kept);
}

static void exchange_rows_and_columns(gorse_strip *s, packing p) {
    uint16_t side = s->w > s->h ? s->w : s->h;
    uint16_t row, column;
    uint32_t fresh;
    for (row = 0; row < side; row++)
        for (column = (uint16_t)(row + 1u); column < side; column++)
            swap(s, p, column, row, row, column);
    gorse_exchange_sides(s);
    fresh = row_bytes(s->w, p);
    for (row = 1; row < s->h; row++)
        memmove(s->pixels + row * fresh, s->pixels + row * s->stride, (size_t)fresh);
    s->stride = fresh;
}

static void mirror_columns(const gorse_strip *s, packing p) {
    uint16_t row, column;
    for (row = 0; row < s->h; row++)
        for (column = 0; column < s->w / 2u; column++)
            swap(s, p, column, row, (uint16_t)(s->w - 1u - column), row);
}

static void mirror_rows(const gorse_strip *s) {
    uint16_t row;
    uint32_t i;
    for (row = 0; row < s->h / 2u; row++)
        for (i = 0; i < s->stride; i++)
            gorse_swap_bytes(s->pixels + row * s->stride + i, s->pixels + (s->h - 1u - row) * s->stride + i);
}

/* What fills a row up to a whole byte stays 0. */
static void clear_padding(const gorse_strip *s, packing p) {
    uint16_t row, column;
    for (column = s->w; (uint32_t)column * p.bits < s->stride * 8u; column++)
        for (row = 0; row < s->h; row++)
            put(s, p, column, row, 0);
}

void gorse_turn_bits(gorse_strip *s, const GORSE_ROM gorse_panel *panel) {
    packing p;
    gorse_turning t = gorse_turning_of(panel);
    p.bits = panel->format->bits;
    p.low_first = (uint8_t)(panel->format->flags & GORSE_FORMAT_LOW_BIT_FIRST);
    if (t.exchanges != 0u)
        exchange_rows_and_columns(s, p);
    if (t.mirrors_columns != 0u) {
        mirror_columns(s, p);
        gorse_mirror_x(s, &t);
    }
    if (t.mirrors_rows != 0u) {
        mirror_rows(s);
        gorse_mirror_y(s, &t);
    }
    if (t.inverts != 0u)
        gorse_invert_bytes(s->pixels, s->stride * s->h);
    clear_padding(s, p);
}
