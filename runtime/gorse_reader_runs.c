/* SPDX-License-Identifier: MIT */
/* Packed by runs, in memory. */
#include "gorse_image_runs.h"

static uint8_t next_byte(gorse_image_row *row) { return row->plane->bytes[row->at++]; }

static void fetch(gorse_image_row *row, uint8_t *to, uint16_t n) {
    gorse_copy_rom(to, row->plane->bytes + row->at, n);
    row->at += n;
}

static void skip_bytes(gorse_image_row *row, uint16_t n) { row->at += n; }

/* The pixel that a run repeats, as a format's fill takes it. */
static uint32_t native_of(const gorse_image_row *row) {
    uint32_t native = 0;
    uint16_t word;
    uint8_t i;
    if (row->plane->unit == 2u) {
        memcpy(&word, row->value, 2);
        return word;
    }
    for (i = 0; i < row->plane->unit; i++)
        native |= (uint32_t)row->value[i] << (8u * i);
    return native;
}

/* Runs are filled, the others copied from where they lie. */
static void draw(gorse_image_row *row, const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n) {
    const GORSE_ROM gorse_format *format = c->format;
    while (n != 0u) {
        uint16_t part = take(row, n);
        if (row->same != 0u) {
            format->fill(c, x, y, part, native_of(row));
        } else {
#if GORSE_SEPARATE_ROM
            uint8_t room[GORSE_IMAGE_PIXELS * 4];
            uint16_t done = 0;
            while (done < part) {
                uint16_t some = (uint16_t)(part - done < GORSE_IMAGE_PIXELS ? part - done : GORSE_IMAGE_PIXELS);
                fetch(row, room, (uint16_t)(some * row->plane->unit));
                format->copy(c, (gorse_coord)(x + (gorse_coord)done), y, some, room, 0);
                done = (uint16_t)(done + some);
            }
#else
            format->copy(c, x, y, part, row->plane->bytes + row->at, 0);
            row->at += (uint32_t)part * row->plane->unit;
#endif
        }
        x = (gorse_coord)(x + (gorse_coord)part);
        n = (uint16_t)(n - part);
    }
}

const GORSE_ROM gorse_image_reader gorse_reader_runs = {start, get, draw};
