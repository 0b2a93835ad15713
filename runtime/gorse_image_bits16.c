/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

const GORSE_ROM gorse_image_format gorse_image_bits16 = {16, 1, 0};
