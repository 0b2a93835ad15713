/* SPDX-License-Identifier: MIT */
/* Walking along a text's glyphs, for drawing it and for finding what changed in it. */
#ifndef GORSE_TEXT_H
#define GORSE_TEXT_H

#include "gorse_draw.h"

#ifdef __cplusplus
extern "C" {
#endif

typedef struct gorse_pen {
    const GORSE_ROM gorse_font *font;
    gorse_text_source text;
    uint16_t at, previous;
    gorse_coord x;
} gorse_pen;

/* One line: bytes from `from` up to `to`; the next begins at `next`. */
typedef struct gorse_line {
    uint16_t from, to, next;
    gorse_coord width;
} gorse_line;

/* The character at *at, which moves on; 0 at the end, U+FFFD for broken UTF-8. */
uint32_t gorse_next_character(gorse_text_source text, uint16_t *at);

void gorse_start_pen(gorse_pen *pen, const GORSE_ROM gorse_font *font, gorse_text_source text, uint16_t at,
                     gorse_coord x);

/* The next glyph and where the pen stood for it; returns its character, 0 at the end. */
uint32_t gorse_next_glyph(gorse_pen *pen, gorse_glyph *glyph, gorse_coord *x);

/* The line that begins at `at`, broken at spaces (or in a word wider than `room`) if `wrap`; 1 if one follows. */
uint8_t gorse_next_line(const GORSE_ROM gorse_font *font, gorse_text_source text, uint16_t at, uint8_t wrap,
                        gorse_coord room, gorse_line *line);

/* The top of a text's first line, and the left of a line, in its box. */
gorse_coord gorse_text_top(gorse_text_source text, const gorse_text_box *where, const GORSE_ROM gorse_font *font);
gorse_coord gorse_line_left(const gorse_text_box *where, gorse_coord width);

/* The box of a glyph's bitmap, with the pen at x and the line's top at `top`. */
void gorse_glyph_box(const gorse_glyph *glyph, gorse_coord x, gorse_coord top, gorse_rect *box);

/* A glyph's bitmap, with the pen at x and the line's top at `top`. */
void gorse_draw_glyph(const gorse_canvas *c, const GORSE_ROM gorse_font *font, const gorse_glyph *glyph, gorse_coord x,
                      gorse_coord top, gorse_colour colour);

#ifdef __cplusplus
}
#endif
#endif
