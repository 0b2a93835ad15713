/* SPDX-License-Identifier: MIT */
/* Reading pixels of whole bytes, shared by the image formats that have them. */
#ifndef GORSE_IMAGE_FORMATS_H
#define GORSE_IMAGE_FORMATS_H

#include "gorse_draw.h"

static inline const uint8_t *gorse_read_bytes(const gorse_image *image, uint16_t x, uint16_t y, uint16_t n,
                                              uint8_t *room, uint8_t pixel_bytes) {
    const GORSE_ROM uint8_t *from = image->pixels + ((uint32_t)y * image->width + x) * pixel_bytes;
#if GORSE_SEPARATE_ROM
    gorse_copy_rom(room, from, (uint16_t)(n * pixel_bytes));
    return room;
#else
    (void)n;
    (void)room;
    return from;
#endif
}

#endif
