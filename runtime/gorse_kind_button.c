/* SPDX-License-Identifier: MIT */
/* A momentary button without an image. What it looks like pressed is its look's matter. */
#include "gorse_draw.h"

const GORSE_ROM gorse_kind gorse_kind_button = {
    sizeof(gorse_widget_button), GORSE_KIND_HAS_TEXT | GORSE_KIND_TOUCHED, gorse_draw_text_widget, 0, 0, 0};
