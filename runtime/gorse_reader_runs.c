/* SPDX-License-Identifier: MIT */
/* Packed by runs, in memory. */
#include "gorse_image_runs.h"

static void fetch(gorse_image_row *row, uint8_t *to, uint16_t n) {
    gorse_copy_rom(to, row->plane->bytes + row->at, n);
    row->at += n;
}

static void skip_bytes(gorse_image_row *row, uint16_t n) { row->at += n; }

const GORSE_ROM gorse_image_reader gorse_reader_runs = {start, get};
