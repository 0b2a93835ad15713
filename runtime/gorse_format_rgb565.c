/* SPDX-License-Identifier: MIT */
/* 16-bit pixels, red on top, as words of the target's own byte order when that is low byte first. */
#include "gorse_format_words.h"

#define SWAP_IS_NEEDED GORSE_WORDS_ARE_BIG

GORSE_DEFINE_WORD_FORMAT(gorse_format_rgb565, SWAP_IS_NEEDED, 0)
