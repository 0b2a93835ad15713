/* SPDX-License-Identifier: MIT */
/* Plain, in outside memory: read through the firmware's function. */
#include "gorse_image.h"

static void start(gorse_image_row *row, uint16_t y, uint16_t skip) {
    const gorse_image_plane *p = row->plane;
    row->at = p->address + ((uint32_t)y * p->width + skip) * p->unit;
}

static const uint8_t *get(gorse_image_row *row, uint16_t n, uint8_t *room) {
    uint16_t bytes = (uint16_t)(n * row->plane->unit);
    gorse_read_outside(row->run, row->at, room, bytes);
    row->at += bytes;
    return room;
}

const GORSE_ROM gorse_image_reader gorse_reader_outside = {start, get, 0};
