/* SPDX-License-Identifier: MIT */
/* Packed by runs, in outside memory: read ahead in small pieces, as each reading has its price. */
#include "gorse_image_runs.h"

static uint8_t next_byte(gorse_image_row *row) {
    if (row->ahead_count == 0u) {
        gorse_read_outside(row->run, row->plane->address + row->at, row->ahead, sizeof row->ahead);
        row->ahead_first = 0;
        row->ahead_count = sizeof row->ahead;
    }
    row->ahead_count--;
    row->at++;
    return row->ahead[row->ahead_first++];
}

static void fetch(gorse_image_row *row, uint8_t *to, uint16_t n) {
    while (n-- != 0u)
        *to++ = next_byte(row);
}

static void skip_bytes(gorse_image_row *row, uint16_t n) {
    uint8_t ready = (uint8_t)(n < row->ahead_count ? n : row->ahead_count);
    row->ahead_first = (uint8_t)(row->ahead_first + ready);
    row->ahead_count = (uint8_t)(row->ahead_count - ready);
    row->at += n;
}

const GORSE_ROM gorse_image_reader gorse_reader_outside_runs = {start, get, 0};
