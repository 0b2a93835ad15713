/* SPDX-License-Identifier: MIT */
/* Scenes with containers and controls, but without pagers: gorse_kind_pager.c takes the place of this file in others.
 */
#include "gorse_pager.h"

GORSE_REPLACEABLE int16_t gorse_pan_round(const gorse *g, const gorse_widget_group *pager, uint16_t page, int16_t pan) {
    (void)g;
    (void)pager;
    (void)page;
    return pan;
}

GORSE_REPLACEABLE void gorse_show_page(gorse *g, uint16_t pager, uint16_t page) {
    (void)g;
    (void)pager;
    (void)page;
}

GORSE_REPLACEABLE void gorse_page_by(gorse *g, int8_t steps) {
    (void)g;
    (void)steps;
}

GORSE_REPLACEABLE void gorse_draw_marks(gorse_canvas *c, const gorse_rect *area, uint16_t number) {
    (void)c;
    (void)area;
    (void)number;
}
