/* SPDX-License-Identifier: MIT */
/* Turns, mirrors, inverts a drawn strip of upright bytes in place, in blocks of 8x8 pixels. */
#include <string.h>

#include "gorse_turn.h"

/* The last page may hold fewer than 8 rows; its other bits are 0. */
static uint16_t pages_of(uint16_t rows) { return (uint16_t)((rows + 7u) / 8u); }

/* Exchanges rows and columns of 8 upright bytes. */
static void exchange_block(uint8_t *block) {
    uint8_t out[8];
    uint8_t row, column;
    memset(out, 0, sizeof out);
    for (column = 0; column < 8u; column++)
        for (row = 0; row < 8u; row++)
            if ((block[column] & (1u << row)) != 0u)
                out[row] = (uint8_t)(out[row] | (1u << column));
    memcpy(block, out, 8);
}

static uint8_t reversed(uint8_t bits) {
    uint8_t out = 0, i;
    for (i = 0; i < 8u; i++)
        if ((bits & (1u << i)) != 0u)
            out = (uint8_t)(out | (0x80u >> i));
    return out;
}

static void exchange_rows_and_columns(gorse_strip *s) {
    uint16_t side = pages_of(s->w > s->h ? s->w : s->h);
    uint16_t row, column;
    uint8_t room[8];
    for (row = 0; row < side; row++)
        for (column = row; column < side; column++) {
            uint8_t *a = s->pixels + row * s->stride + (uint32_t)column * 8u;
            uint8_t *b = s->pixels + column * s->stride + (uint32_t)row * 8u;
            exchange_block(a);
            if (a == b)
                continue;
            exchange_block(b);
            memcpy(room, a, 8);
            memcpy(a, b, 8);
            memcpy(b, room, 8);
        }
    gorse_exchange_sides(s);
    for (row = 1; row < pages_of(s->h); row++)
        memmove(s->pixels + (uint32_t)row * s->w, s->pixels + row * s->stride, s->w);
    s->stride = s->w;
}

static void mirror_columns(const gorse_strip *s) {
    uint16_t page, column;
    for (page = 0; page < pages_of(s->h); page++) {
        uint8_t *first = s->pixels + page * s->stride;
        for (column = 0; column < s->w / 2u; column++) {
            gorse_swap_bytes(&first[column], &first[s->w - 1u - column]);
        }
    }
}

static void mirror_rows(const gorse_strip *s) {
    uint16_t page, column, pages = pages_of(s->h);
    for (page = 0; page < (uint16_t)(pages + 1u) / 2u; page++)
        for (column = 0; column < s->w; column++) {
            uint8_t *a = s->pixels + page * s->stride + column;
            uint8_t *b = s->pixels + (uint16_t)(pages - 1u - page) * s->stride + column;
            uint8_t kept = reversed(*a);
            *a = reversed(*b);
            *b = kept;
        }
}

/* What filled the last page is in the first one now: all rows move up by so many. */
static void close_gap(const gorse_strip *s, uint8_t gap) {
    uint16_t page, column, pages = pages_of(s->h);
    for (column = 0; gap != 0u && column < s->w; column++)
        for (page = 0; page < pages; page++) {
            uint8_t *at = s->pixels + page * s->stride + column;
            uint8_t next = (uint8_t)(page + 1u < pages ? at[s->stride] : 0u);
            *at = (uint8_t)((uint8_t)(*at >> gap) | (uint8_t)((uint16_t)next << (8u - gap)));
        }
}

static void invert(const gorse_strip *s) {
    uint16_t column, last = (uint16_t)(pages_of(s->h) - 1u);
    uint8_t rows = (uint8_t)(s->h & 7u);
    gorse_invert_bytes(s->pixels, s->stride * (last + 1u));
    for (column = 0; rows != 0u && column < s->w; column++) {
        uint8_t *at = s->pixels + last * s->stride + column;
        *at = (uint8_t)(*at & (uint8_t)((1u << rows) - 1u));
    }
}

void gorse_turn_pages(gorse_strip *s, const GORSE_ROM gorse_panel *panel) {
    gorse_turning t = gorse_turning_of(panel);
    if (t.exchanges != 0u)
        exchange_rows_and_columns(s);
    if (t.mirrors_columns != 0u) {
        mirror_columns(s);
        gorse_mirror_x(s, &t);
    }
    if (t.mirrors_rows != 0u) {
        mirror_rows(s);
        close_gap(s, (uint8_t)(pages_of(s->h) * 8u - s->h));
        gorse_mirror_y(s, &t);
    }
    if (t.inverts != 0u)
        invert(s);
}
