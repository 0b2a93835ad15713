/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

const GORSE_ROM gorse_image_format gorse_image_bits24 = {24, 1, 0};
