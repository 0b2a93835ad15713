/* SPDX-License-Identifier: MIT */
/* A map of cells that show frames of one image. */
#include "gorse_internal.h"

static const gorse_widget_tiles *tiles_of(const gorse_widget *widget) {
    return (const gorse_widget_tiles *)(const void *)widget;
}

const uint8_t *gorse_map_changes(const gorse *g, const gorse_widget_tiles *tiles) {
    uint16_t i;
    for (i = 0; i < g->scene->map_count; i++) {
        const GORSE_ROM gorse_keeper *each = &g->scene->keepers[g->scene->recorder_count + i];
        if (((const GORSE_ROM gorse_widget_tiles *)(const GORSE_ROM void *)each->of)->cells == tiles->cells)
            return (const uint8_t *)gorse_kept_by(g, each);
    }
    return 0;
}

void gorse_place_cell(const gorse_widget_tiles *tiles, const gorse_look *look, uint8_t column, uint8_t row,
                      gorse_rect *out) {
    const GORSE_ROM gorse_image *first = tiles->animation->frames[0];
    const int32_t x = (int32_t)column * first->width - tiles->pan_x, y = (int32_t)row * first->height - tiles->pan_y;
    gorse_widget_box(&tiles->widget, out);
    gorse_shrink(out, (gorse_coord)(look->border_width + look->padding));
    out->x0 = (gorse_coord)(out->x0 + x);
    out->y0 = (gorse_coord)(out->y0 + y);
    out->x1 = (gorse_coord)(out->x0 + (gorse_coord)first->width);
    out->y1 = (gorse_coord)(out->y0 + (gorse_coord)first->height);
}

/* The cells of a row or column that are seen: `from` to before `to`, pixels from the map's edge on. */
typedef struct range {
    uint8_t first, end;
} range;

static range seen(int32_t from, int32_t to, uint16_t size, uint8_t count) {
    range out;
    const int32_t end = (to + size - 1) / size;
    out.first = (uint8_t)(from <= 0 ? 0 : from / size < count ? from / size : count);
    out.end = (uint8_t)(to <= 0 ? 0 : end < count ? end : count);
    return out;
}

static GORSE_OWN_FRAME void draw_row(const gorse_canvas *c, const gorse_widget_tiles *tiles, const gorse_look *look,
                                     range columns, uint8_t row) {
    const uint8_t *set = gorse_map_changes(c->run, tiles);
    const uint16_t begin = (uint16_t)((uint16_t)row * tiles->columns);
    gorse_rect place;
    gorse_place_cell(tiles, look, columns.first, row, &place);
    for (; columns.first < columns.end; columns.first++) {
        const uint16_t at = (uint16_t)(begin + columns.first);
        const uint8_t cell = (uint8_t)(tiles->cells[at] ^ (set != 0 ? set[at] : 0u));
        if (cell != 0u && cell <= tiles->animation->count)
            gorse_draw_image(c, tiles->animation->frames[cell - 1u], place.x0, place.y0, look->text);
        place.x0 = (gorse_coord)(place.x0 + (gorse_coord)tiles->animation->frames[0]->width);
    }
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_tiles *tiles = tiles_of(widget);
    gorse_canvas inside = *c;
    gorse_rect box, first;
    range columns, rows;
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
    gorse_shrink(&box, (gorse_coord)(look->border_width + look->padding));
    if (tiles->animation == 0 || gorse_is_empty(&box) != 0u || gorse_clip(&inside.clip, &box) == 0u)
        return;
    gorse_place_cell(tiles, look, 0, 0, &first);
    columns = seen((int32_t)inside.clip.x0 - first.x0, (int32_t)inside.clip.x1 - first.x0,
                   tiles->animation->frames[0]->width, tiles->columns);
    rows = seen((int32_t)inside.clip.y0 - first.y0, (int32_t)inside.clip.y1 - first.y0,
                tiles->animation->frames[0]->height, tiles->rows);
    for (; rows.first < rows.end; rows.first++)
        draw_row(&inside, tiles, look, columns, rows.first);
}

const GORSE_ROM gorse_kind gorse_kind_tiles = {sizeof(gorse_widget_tiles), 0, draw, 0, 0, 0};
