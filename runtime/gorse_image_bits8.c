/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

const GORSE_ROM gorse_image_format gorse_image_bits8 = {8, 1, 0};
