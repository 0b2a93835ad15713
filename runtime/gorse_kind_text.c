/* SPDX-License-Identifier: MIT */
#include "gorse_draw.h"

const GORSE_ROM gorse_kind gorse_kind_text = {
    sizeof(gorse_widget_text), GORSE_KIND_HAS_TEXT | GORSE_KIND_FINE_TEXT, gorse_draw_text_widget, 0, 0, 0};
