/* SPDX-License-Identifier: MIT */
/* 16-bit pixels, red on top, high byte first: what a panel on a byte-wide bus takes. */
#include "gorse_format_words.h"

#define SWAP_IS_NEEDED (!GORSE_WORDS_ARE_BIG)

GORSE_DEFINE_WORD_FORMAT(gorse_format_rgb565_be, SWAP_IS_NEEDED, GORSE_FORMAT_HIGH_BYTE_FIRST)
