/* SPDX-License-Identifier: MIT */
/* Draws one glyph's bitmap, which its font's reader gives as coverage. */
#include "gorse_text.h"

GORSE_OWN_FRAME void gorse_glyph_box(const gorse_glyph *glyph, gorse_coord x, gorse_coord top, gorse_rect *box) {
    box->x0 = (gorse_coord)(x + glyph->left);
    box->y0 = (gorse_coord)(top + glyph->top - GORSE_TOP_BIAS);
    box->x1 = (gorse_coord)(box->x0 + glyph->width);
    box->y1 = (gorse_coord)(box->y0 + glyph->height);
}

#if GORSE_FAST
/* Draws what of a glyph is in the area, which is not empty and `skip` pixels behind where reading begins; several rows
 * are read at a time. */
static void draw_rows(const gorse_canvas *c, const GORSE_ROM gorse_font *font, const gorse_glyph *glyph,
                      gorse_glyph_reader *from, const gorse_rect *area, uint16_t skip, gorse_colour colour) {
    uint8_t coverage[1024];
    const uint32_t native = c->format->native(c, colour);
    const uint16_t n = (uint16_t)(area->x1 - area->x0);
    const uint16_t gap = (uint16_t)(glyph->width - n), most = (uint16_t)(sizeof coverage / glyph->width);
    const uint8_t alpha = gorse_alpha(colour);
    gorse_coord y = area->y0;
    while (y < area->y1) {
        const gorse_coord end = gorse_min(area->y1, (gorse_coord)(y + (gorse_coord)most));
        const uint16_t bytes = (uint16_t)((uint16_t)(end - y) * glyph->width - gap);
        const uint8_t *row = coverage;
        uint16_t i;
        font->read(from, skip, bytes, coverage);
        for (i = 0; i < bytes && alpha != 255u; i++)
            coverage[i] = gorse_scale8(coverage[i], alpha);
        for (; y < end; y++, row += glyph->width)
            c->format->mask(c, area->x0, y, n, row, native);
        skip = gap;
    }
}
#endif

void gorse_draw_glyph(const gorse_canvas *c, const GORSE_ROM gorse_font *font, const gorse_glyph *glyph, gorse_coord x,
                      gorse_coord top, gorse_colour colour) {
#if !GORSE_FAST
    uint8_t coverage[GORSE_CHUNK];
#endif
    gorse_glyph_reader from;
    gorse_rect area;
    gorse_coord left, high;
    uint16_t skip;
    gorse_glyph_box(glyph, x, top, &area);
    left = area.x0;
    high = area.y0;
    if (gorse_clip(&area, &c->clip) == 0u)
        return;
    from.bits = font->bits + ((uint32_t)glyph->offset_high << 16 | (uint32_t)glyph->offset_low);
    from.left = 0;
    from.value = 255;
    from.depth = font->bits_per_pixel;
    from.low = 0;
    skip = (uint16_t)((uint16_t)(area.y0 - high) * (uint16_t)glyph->width + (uint16_t)(area.x0 - left));
#if GORSE_FAST
    draw_rows(c, font, glyph, &from, &area, skip, colour);
#else
    for (; area.y0 < area.y1; area.y0++) {
        gorse_coord column = area.x0;
        while (column < area.x1) {
            uint16_t n = (uint16_t)(area.x1 - column);
            if (n > GORSE_CHUNK)
                n = GORSE_CHUNK;
            font->read(&from, skip, n, coverage);
            gorse_mask_span(c, column, area.y0, n, coverage, colour);
            skip = 0;
            column = (gorse_coord)(column + (gorse_coord)n);
        }
        skip = (uint16_t)(glyph->width - (uint16_t)(area.x1 - area.x0));
    }
#endif
}
