/* SPDX-License-Identifier: MIT */
/* Sets cells of maps, whichever screen is shown. */
#include "gorse_internal.h"

/* Marks a cell of a map of the shown screen. */
static GORSE_OWN_FRAME void show(gorse *g, uint16_t widget, uint8_t column, uint8_t row) {
    gorse_view view;
    gorse_rect cell, box;
    const gorse_widget_tiles *tiles;
    gorse_see(g, widget, &view);
    tiles = (const gorse_widget_tiles *)(const void *)view.widget;
    if (view.widget->visible == 0u || tiles->animation == 0)
        return;
    gorse_widget_box(view.widget, &box);
    gorse_shrink(&box, (gorse_coord)(view.look->border_width + view.look->padding));
    gorse_place_cell(tiles, view.look, column, row, &cell);
    if (gorse_clip(&cell, &box) != 0u)
        gorse_dirty(g, &cell);
}

gorse_result gorse_set_cell(gorse *g, uint16_t keeper, uint8_t column, uint8_t row, uint8_t cell) {
    const GORSE_ROM gorse_keeper *map;
    const GORSE_ROM gorse_widget_tiles *tiles;
    uint8_t *set;
    uint16_t at;
    if (g->scene == 0)
        return GORSE_RESULT_NOT_BEGUN;
    if (keeper < g->scene->recorder_count || keeper - g->scene->recorder_count >= g->scene->map_count)
        return GORSE_RESULT_UNKNOWN;
    map = &g->scene->keepers[keeper];
    tiles = (const GORSE_ROM gorse_widget_tiles *)(const GORSE_ROM void *)map->of;
    if (column >= tiles->columns || row >= tiles->rows)
        return GORSE_RESULT_UNKNOWN;
    at = (uint16_t)((uint16_t)row * tiles->columns + column);
    set = (uint8_t *)gorse_kept_by(g, map) + at;
    if ((uint8_t)(*set ^ tiles->cells[at]) == cell)
        return GORSE_RESULT_UNCHANGED;
    *set = (uint8_t)(cell ^ tiles->cells[at]);
    if (map->screen == gorse_head_of(g)->screen)
        show(g, map->widget, column, row);
    return GORSE_RESULT_OK;
}
