/* SPDX-License-Identifier: MIT */
#include "gorse_image_formats.h"

static const uint8_t *read(const gorse_image *image, uint16_t x, uint16_t y, uint16_t n, uint8_t *room) {
    return gorse_read_bytes(image, x, y, n, room, 3);
}

const GORSE_ROM gorse_image_format gorse_image_rgb888 = {24, read};
