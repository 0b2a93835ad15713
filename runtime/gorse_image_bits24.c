/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

const GORSE_ROM gorse_image_format gorse_image_bits24 = {24, 1, gorse_get_image_bytes, 0};
