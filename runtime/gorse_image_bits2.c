/* SPDX-License-Identifier: MIT */
#include "gorse_image_bits.h"

GORSE_DEFINE_BITS_IMAGE(gorse_image_bits2, 2)
