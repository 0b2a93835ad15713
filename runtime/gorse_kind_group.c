/* SPDX-License-Identifier: MIT */
/* A box that holds widgets. */
#include "gorse_container.h"

const GORSE_ROM gorse_kind gorse_kind_group = {
    sizeof(gorse_widget_group), GORSE_KIND_HOLDS, gorse_draw_container, 0, 0, 0};
