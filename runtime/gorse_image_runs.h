/* SPDX-License-Identifier: MIT */
/* Reading what is packed by runs. The including file says how bytes are got, which also moves row->at on. */
#ifndef GORSE_IMAGE_RUNS_H
#define GORSE_IMAGE_RUNS_H

#include <string.h>

#include "gorse_image.h"

static uint8_t next_byte(gorse_image_row *row);
static void fetch(gorse_image_row *row, uint8_t *to, uint16_t n);
static void skip_bytes(gorse_image_row *row, uint16_t n);

static void next_run(gorse_image_row *row) {
    uint8_t head = next_byte(row);
    uint8_t i;
    row->same = (uint8_t)(head >= GORSE_RUN);
    row->left = (uint16_t)(row->same != 0u ? (uint16_t)(head - GORSE_RUN + GORSE_RUN_MIN) : (uint16_t)(head + 1u));
    if (row->same != 0u)
        for (i = 0; i < row->plane->unit; i++)
            row->value[i] = next_byte(row);
}

/* Takes up to n units of the present run or the one after it. */
static uint16_t take(gorse_image_row *row, uint16_t n) {
    if (row->left == 0u)
        next_run(row);
    if (n > row->left)
        n = row->left;
    row->left = (uint16_t)(row->left - n);
    row->rest = (uint16_t)(row->rest - n);
    return n;
}

static void skip_units(gorse_image_row *row, uint16_t n) {
    while (n != 0u) {
        uint16_t part = take(row, n);
        if (row->same == 0u)
            skip_bytes(row, (uint16_t)(part * row->plane->unit));
        n = (uint16_t)(n - part);
    }
}

/* Rows lie one behind the other, so the one after the last needs no way from the group's beginning. */
static void start(gorse_image_row *row, uint16_t y, uint16_t skip) {
    const gorse_image_plane *p = row->plane;
    if (row->open != 0u && y == row->y + 1u) {
        skip_units(row, row->rest);
    } else {
        uint8_t before = (uint8_t)(p->pages != 0u ? 0u : y & 7u);
        row->at = p->groups[p->pages != 0u ? y : y >> 3];
        row->left = 0;
        row->ahead_count = 0;
        for (; before != 0u; before--) {
            row->rest = p->width;
            skip_units(row, p->width);
        }
    }
    row->open = 1;
    row->y = y;
    row->rest = p->width;
    skip_units(row, skip);
}

static void repeat(uint8_t *to, const uint8_t *value, uint16_t n, uint8_t unit) {
    if (unit == 1u) {
        memset(to, value[0], n);
    } else if (unit == 2u) {
        uint16_t word;
        memcpy(&word, value, 2);
        for (; n != 0u; n--, to += 2)
            memcpy(to, &word, 2);
    } else {
        for (; n != 0u; n--, to += unit)
            memcpy(to, value, unit);
    }
}

static const uint8_t *get(gorse_image_row *row, uint16_t n, uint8_t *room) {
    uint8_t unit = row->plane->unit;
    uint8_t *to = room;
    while (n != 0u) {
        uint16_t part = take(row, n);
        if (row->same != 0u)
            repeat(to, row->value, part, unit);
        else
            fetch(row, to, (uint16_t)(part * unit));
        to += (uint16_t)(part * unit);
        n = (uint16_t)(n - part);
    }
    return room;
}

#endif
