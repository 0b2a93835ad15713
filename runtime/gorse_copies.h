/* SPDX-License-Identifier: MIT */
/* How the draw buffer is divided, and rows are copied, where something lets through what is below it. */
#ifndef GORSE_COPIES_H
#define GORSE_COPIES_H

#include "gorse_internal.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Bytes that are painted in: three parts, as the copies have one each. */
static inline uint32_t gorse_without_copies(const gorse *g) {
    uint32_t parts = 4;
    if (g->scene->containers != 0)
        parts += g->scene->containers->fades;
    if (g->scene->transitions != 0)
        parts += g->scene->transitions->fades;
    return g->buffer_bytes / (4u * parts) * 12u;
}

/* Where copies of rows lie: of what is below a widget, then of what is below each container, one in another, then of a
 * screen. Each has a third of what is painted in. */
static inline uint8_t *gorse_copy_at(const gorse *g, uint_fast8_t number) {
    return g->buffer + g->buffer_bytes + g->buffer_bytes / 3u * number;
}

/* The first row of the byte that holds row y of the strip. */
static inline gorse_coord gorse_rows_begin(const gorse_canvas *c, gorse_coord y) {
    return (gorse_coord)(y - (gorse_coord)((uint16_t)((uint16_t)y - c->strip.y) % c->format->rows));
}

/* Where the rows from y on end of which a copy fits: at whole bytes, or at `end`. */
static inline gorse_coord gorse_rows_end(const gorse_canvas *c, gorse_coord y, gorse_coord end) {
    const uint32_t most = c->run->buffer_bytes / 3u / c->strip.stride * c->format->rows;
    const gorse_coord begin = gorse_rows_begin(c, y);
    GORSE_ASSERT(most != 0u);
    return (uint32_t)(uint16_t)(end - begin) > most ? (gorse_coord)(begin + (gorse_coord)most) : end;
}

/* Copies the rows from y to `end`, from whole bytes on. */
static inline void gorse_copy_rows(const gorse_canvas *c, gorse_coord y, gorse_coord end, uint8_t *to) {
    const uint8_t rows = c->format->rows;
    const gorse_coord begin = gorse_rows_begin(c, y);
    const uint32_t first = (uint32_t)(uint16_t)((uint16_t)begin - c->strip.y) / rows;
    const uint32_t count = ((uint32_t)(uint16_t)(end - begin) + rows - 1u) / rows;
    memcpy(to, c->strip.pixels + first * c->strip.stride, (size_t)(count * c->strip.stride));
}

#ifdef __cplusplus
}
#endif
#endif
