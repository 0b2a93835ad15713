/* SPDX-License-Identifier: MIT */
/* Lays out and draws texts: UTF-8, kerning, wrapping, alignment. A character that the font lacks shows glyph 0. */
#include "gorse_text.h"

#include "gorse_internal.h"

uint32_t gorse_next_character(gorse_text_source text, uint16_t *at) {
    uint_fast8_t first = gorse_text_byte(text, *at);
    uint8_t more;
    uint32_t code;
    *at = (uint16_t)(*at + 1u);
    if (first < 0x80u)
        return first;
    if (first < 0xc2u || first > 0xf4u)
        return 0xfffdu;
    more = first >= 0xf0u ? 3u : first >= 0xe0u ? 2u : 1u;
    code = first & (0x3fu >> more);
    for (; more != 0u; more--) {
        uint8_t next = gorse_text_byte(text, *at);
        if ((next & 0xc0u) != 0x80u)
            return 0xfffdu;
        code = (code << 6) | (next & 0x3fu);
        *at = (uint16_t)(*at + 1u);
    }
    return code;
}

static uint16_t glyph_of(const GORSE_ROM gorse_font *font, uint32_t code) {
    uint16_t low = 0, high = font->range_count;
    while (low < high) {
        uint16_t middle = (uint16_t)((uint16_t)(low + high) / 2u);
        const GORSE_ROM gorse_range *range = &font->ranges[middle];
        uint32_t first = range->first;
        if (code < first)
            high = middle;
        else if (code - first >= range->count)
            low = (uint16_t)(middle + 1u);
        else
            return (uint16_t)(range->glyph + (uint16_t)(code - first));
    }
    return 0;
}

static GORSE_OWN_FRAME gorse_coord kern_of(const GORSE_ROM gorse_font *font, uint16_t left, uint16_t right) {
    uint32_t wanted = (uint32_t)left << 16 | right;
#if GORSE_FAST
    /* Halves without a branch that depends on what is found. */
    const GORSE_ROM gorse_kern *pair = font->kerns;
    uint16_t count = font->kern_count;
    if (count == 0u)
        return 0;
    while (count > 1u) {
        const uint16_t half = count / 2u;
        const GORSE_ROM gorse_kern *middle = pair + half;
        pair = ((uint32_t)middle->left << 16 | middle->right) <= wanted ? middle : pair;
        count = (uint16_t)(count - half);
    }
    return ((uint32_t)pair->left << 16 | pair->right) == wanted ? pair->by : 0;
#else
    uint16_t low = 0, high = font->kern_count;
    while (low < high) {
        uint16_t middle = (uint16_t)((uint16_t)(low + high) / 2u);
        const GORSE_ROM gorse_kern *pair = &font->kerns[middle];
        uint32_t here = (uint32_t)pair->left << 16 | pair->right;
        if (here == wanted)
            return pair->by;
        if (here < wanted)
            low = (uint16_t)(middle + 1u);
        else
            high = middle;
    }
    return 0;
#endif
}

GORSE_OWN_FRAME void gorse_start_pen(gorse_pen *pen, const GORSE_ROM gorse_font *font, gorse_text_source text,
                                     uint16_t at, gorse_coord x) {
    pen->font = font;
    pen->text = text;
    pen->at = at;
    pen->x = x;
    pen->previous = GORSE_NONE;
}

uint32_t gorse_next_glyph(gorse_pen *pen, gorse_glyph *glyph, gorse_coord *x) {
    uint32_t code = gorse_next_character(pen->text, &pen->at);
    uint16_t number;
    if (code == 0u)
        return 0;
    number = glyph_of(pen->font, code);
    if (pen->previous != GORSE_NONE)
        pen->x = (gorse_coord)(pen->x + kern_of(pen->font, pen->previous, number));
    gorse_copy_rom(glyph, &pen->font->glyphs[number], sizeof *glyph);
    *x = pen->x;
    pen->x = (gorse_coord)(pen->x + glyph->advance);
    pen->previous = number;
    return code;
}

uint8_t gorse_next_line(const GORSE_ROM gorse_font *font, gorse_text_source text, uint16_t at, uint8_t wrap,
                        gorse_coord room, gorse_line *line) {
    gorse_pen pen;
    gorse_glyph glyph;
    gorse_coord x;
    line->from = at;
    line->to = GORSE_NONE; /* until a space was passed where the line may be broken */
    gorse_start_pen(&pen, font, text, at, 0);
    for (;;) {
        uint16_t here = pen.at;
        gorse_coord width = pen.x; /* without the kerning to a glyph that goes to the next line */
        uint32_t code = gorse_text_byte(text, here) == 10u ? 10u : gorse_next_glyph(&pen, &glyph, &x);
        if (code != 0u && code != 10u && code != 32u) {
            if (wrap == 0u || pen.x <= room || here == at)
                continue;
            if (line->to != GORSE_NONE)
                return 1;
        }
        line->to = line->next = here;
        line->width = width;
        if (code == 0u)
            return 0;
        if (code == 10u || code == 32u)
            line->next++;
        if (code != 32u)
            return 1;
    }
}

gorse_coord gorse_text_top(gorse_text_source text, const gorse_text_box *where, const GORSE_ROM gorse_font *font) {
    gorse_coord height = font->line_height;
    gorse_line line;
    line.next = 0;
    if (where->wrap != 0u && where->place != GORSE_ALIGN_START)
        while (gorse_next_line(font, text, line.next, 1, (gorse_coord)(where->box.x1 - where->box.x0), &line) != 0u &&
               height < 16000)
            height = (gorse_coord)(height + font->line_height);
    return gorse_placed(where->box.y0, where->box.y1, height, where->place);
}

gorse_coord gorse_line_left(const gorse_text_box *where, gorse_coord width) {
    return gorse_placed(where->box.x0, where->box.x1, width, where->align);
}

static void draw_line(const gorse_canvas *c, const GORSE_ROM gorse_font *font, gorse_text_source text,
                      const gorse_line *line, gorse_coord left, gorse_coord top, gorse_colour colour) {
    gorse_pen pen;
    gorse_glyph glyph;
    gorse_coord x;
    gorse_start_pen(&pen, font, text, line->from, left);
    while (pen.at < line->to && pen.x < c->clip.x1 + 128 && gorse_next_glyph(&pen, &glyph, &x) != 0u)
        gorse_draw_glyph(c, font, &glyph, x, top, colour);
}

/* The line from `at` to the next break that is written, unmeasured. */
static uint8_t skip_line(gorse_text_source text, uint16_t at, gorse_line *line) {
    uint8_t byte;
    line->from = at;
    line->width = 0;
    while ((byte = gorse_text_byte(text, at)) != 0u && byte != 10u)
        at++;
    line->to = at;
    line->next = (uint16_t)(at + 1u);
    return byte;
}

void gorse_draw_text(const gorse_canvas *c, gorse_text_source text, const gorse_text_box *where,
                     const GORSE_ROM gorse_font *font, gorse_colour colour) {
    gorse_line line;
    gorse_coord top, high;
    uint8_t more;
    if (font == 0 || gorse_text_byte(text, 0) == 0u || gorse_alpha(colour) == 0u)
        return;
    high = font->line_height;
    top = gorse_text_top(text, where, font);
    line.next = 0;
    do {
        uint8_t shown = (uint8_t)((int32_t)top + 2 * (int32_t)high > c->clip.y0 && (int32_t)top - high < c->clip.y1);
        /* The width matters only where it breaks or moves a line that shows. */
        if (where->wrap != 0u || (shown != 0u && where->align != GORSE_ALIGN_START))
            more = gorse_next_line(font, text, line.next, where->wrap, (gorse_coord)(where->box.x1 - where->box.x0),
                                   &line);
        else
            more = skip_line(text, line.next, &line);
        if (shown != 0u)
            draw_line(c, font, text, &line, gorse_line_left(where, line.width), top, colour);
        top = (gorse_coord)(top + high);
    } while (more != 0u && top < c->clip.y1 + (int32_t)high);
}
