/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

const GORSE_ROM gorse_image_format gorse_image_bits16 = {16, 1, gorse_get_image_bytes, 0};
