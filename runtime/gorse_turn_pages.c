/* SPDX-License-Identifier: MIT */
/* Turns, mirrors, inverts a drawn strip of upright bytes in place, in blocks of 8x8 pixels. */
#include <string.h>

#include "gorse_draw.h"

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
    uint16_t side = s->w > s->h ? s->w : s->h;
    uint16_t row, column, kept;
    uint8_t room[8];
    for (row = 0; row < side / 8u; row++)
        for (column = row; column < side / 8u; column++) {
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
    kept = s->w;
    s->w = s->h;
    s->h = kept;
    kept = s->x;
    s->x = s->y;
    s->y = kept;
    for (row = 1; row < s->h / 8u; row++)
        memmove(s->pixels + (uint32_t)row * s->w, s->pixels + row * s->stride, s->w);
    s->stride = s->w;
}

static void mirror_columns(const gorse_strip *s) {
    uint16_t page, column;
    for (page = 0; page < s->h / 8u; page++) {
        uint8_t *first = s->pixels + page * s->stride;
        for (column = 0; column < s->w / 2u; column++) {
            uint8_t kept = first[column];
            first[column] = first[s->w - 1u - column];
            first[s->w - 1u - column] = kept;
        }
    }
}

static void mirror_rows(const gorse_strip *s) {
    uint16_t page, column, pages = s->h / 8u;
    for (page = 0; page < (uint16_t)(pages + 1u) / 2u; page++)
        for (column = 0; column < s->w; column++) {
            uint8_t *a = s->pixels + page * s->stride + column;
            uint8_t *b = s->pixels + (uint16_t)(pages - 1u - page) * s->stride + column;
            uint8_t kept = reversed(*a);
            *a = reversed(*b);
            *b = kept;
        }
}

void gorse_turn_pages(gorse_strip *s, const gorse_panel *panel) {
    uint8_t quarter = panel->quarter_turns;
    uint8_t mirror_x = (uint8_t)((panel->flags & GORSE_MIRROR_X) != 0u);
    uint8_t mirror_y = (uint8_t)((panel->flags & GORSE_MIRROR_Y) != 0u);
    uint16_t width = (quarter & 1u) != 0u ? panel->height : panel->width;
    uint16_t height = (quarter & 1u) != 0u ? panel->width : panel->height;
    if ((quarter & 1u) != 0u)
        exchange_rows_and_columns(s);
    if ((quarter == 1u || quarter == 2u) != mirror_x) {
        mirror_columns(s);
        s->x = (uint16_t)(width - s->x - s->w);
    }
    if ((quarter == 2u || quarter == 3u) != mirror_y) {
        mirror_rows(s);
        s->y = (uint16_t)(height - s->y - s->h);
    }
    if ((panel->flags & GORSE_INVERT) != 0u) {
        uint32_t i, all = (uint32_t)s->w * (s->h / 8u);
        for (i = 0; i < all; i++)
            s->pixels[i] = (uint8_t)~s->pixels[i];
    }
}
