/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

const GORSE_ROM gorse_image_format gorse_image_bits8 = {8, 1, gorse_get_image_bytes, 0};
