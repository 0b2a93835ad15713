/* SPDX-License-Identifier: MIT */
/* What a widget kind draws with. Kinds make only spans; the canvas clips and the pixel format stores them. */
#ifndef GORSE_DRAW_H
#define GORSE_DRAW_H

#include <string.h>

#include "gorse_scene.h"

#ifdef __cplusplus
extern "C" {
#endif

#if defined(__BYTE_ORDER__) && defined(__ORDER_BIG_ENDIAN__) && __BYTE_ORDER__ == __ORDER_BIG_ENDIAN__
#define GORSE_WORDS_ARE_BIG 1
#else
#define GORSE_WORDS_ARE_BIG 0
#endif

/* A strip of the panel in the draw buffer. */
typedef struct gorse_strip {
    uint8_t *pixels; /* the pixel (or upright byte) at x, y */
    uint32_t stride; /* bytes from a row (or page) to the next */
    uint16_t x, y, w, h;
} gorse_strip;

/* An entry of an image's palette that is drawn in another colour. */
typedef struct gorse_exchange {
    gorse_colour colour;
    int16_t entry; /* -1: none */
} gorse_exchange;

/* A strip while one widget is drawn into it. */
typedef struct gorse_canvas {
    gorse_strip strip;
    gorse_rect clip; /* what may be drawn on: inside the strip and the widget's box */
    const GORSE_ROM gorse_format *format;
    const gorse *run;               /* for a text's buffer */
    const gorse_exchange *exchange; /* 0: images have the colours of their palettes */
} gorse_canvas;

/* A text wherever it is: `plain` in RAM, or 0 where program memory is apart and the text lies there. */
typedef struct gorse_text_source {
    const char *plain;
#if GORSE_SEPARATE_ROM
    const GORSE_ROM uint8_t *rom;
#endif
} gorse_text_source;

static inline gorse_text_source gorse_plain_text(const char *text) {
    gorse_text_source source;
    source.plain = text;
#if GORSE_SEPARATE_ROM
    source.rom = 0;
#endif
    return source;
}

static inline gorse_text_source gorse_rom_text(const GORSE_ROM uint8_t *text) {
    gorse_text_source source;
#if GORSE_SEPARATE_ROM
    source.plain = 0;
    source.rom = text;
#else
    source.plain = (const char *)text;
#endif
    return source;
}

/* A byte of a text; 0 ends it. */
static inline uint8_t gorse_text_byte(gorse_text_source text, uint16_t at) {
#if GORSE_SEPARATE_ROM
    if (text.plain == 0)
        return text.rom[at];
#endif
    return (uint8_t)text.plain[at];
}

/* The alignment of a text in its box. */
typedef struct gorse_text_box {
    gorse_rect box;
    uint8_t align, place, wrap;
} gorse_text_box;

/* Fills an area; clips; a colour with alpha below 255 is mixed. */
void gorse_fill_rect(const gorse_canvas *c, const gorse_rect *area, gorse_colour colour);

/* Mixes `colour` by `coverage` over n pixels, at most GORSE_CHUNK, from x, y on; clips. */
void gorse_mask_span(const gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *coverage,
                     gorse_colour colour);

/* Coverage, at `column` and `row` from the nearer edges of a box, of a shape `inset` pixels inside it with corners of
 * `radius`. */
uint8_t gorse_cover_corner(uint16_t column, uint16_t row, uint8_t inset, uint8_t radius);
/* A box with border and rounded corners, as the look says. */
void gorse_draw_box(const gorse_canvas *c, const gorse_rect *box, const gorse_look *look);

/* The image with its top left at x, y; a mask without pixels is drawn in `colour`. */
void gorse_draw_image(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                      gorse_colour colour);
/* A widget's box, and the image in it, inside border and padding; none if `image` is 0. */
void gorse_draw_image_box(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look,
                          const GORSE_ROM gorse_image *image, uint8_t align, uint8_t place);

/* The text in its box. Nothing is drawn without a font. */
void gorse_draw_text(const gorse_canvas *c, gorse_text_source text, const gorse_text_box *where,
                     const GORSE_ROM gorse_font *font, gorse_colour colour);

/* Calls `changed` with boxes that hold every pixel in which two single-line texts in the same box differ. */
void gorse_text_difference(gorse_text_source before, gorse_text_source after, const gorse_text_box *where,
                           const GORSE_ROM gorse_font *font, void (*changed)(void *to, const gorse_rect *area),
                           void *to);

/* A kind's draw() for a widget whose record begins with a gorse_widget_text: its box, and its text in it. */
void gorse_draw_text_widget(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);

/* A kind's draw() for a gorse_widget_button with an image: its box, the image and its text. */
void gorse_draw_image_button(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);

/* The text that a label shows now: its buffer if it has one, else its constant text. */
gorse_text_source gorse_shown_text(const gorse *run, const gorse_widget_text *label);

/* The box of a label's text, inside border and padding. */
void gorse_text_widget_box(const gorse_widget_text *label, const gorse_look *look, gorse_text_box *where);

/* Where something of `size` pixels begins between two edges: GORSE_ALIGN_START, GORSE_ALIGN_MIDDLE or GORSE_ALIGN_END.
 */
gorse_coord gorse_placed(gorse_coord from, gorse_coord to, gorse_coord size, uint8_t how);

/* The widget's box on the panel. */
void gorse_widget_box(const gorse_widget *widget, gorse_rect *box);
/* Makes a box smaller by so many pixels at each side. */
void gorse_shrink(gorse_rect *box, gorse_coord by);
/* Where the pivot of a widget is on one axis: from one edge of its box on, or in the middle to the other. */
static inline int32_t gorse_pivot_at(gorse_coord from, gorse_coord to, int16_t pivot) {
    return pivot == GORSE_PIVOT_MIDDLE ? (int32_t)from + ((int32_t)to - from) / 2 : (int32_t)from + pivot;
}
/* Leaves of `area` what is in `by` too; 1 if that is anything. */
uint8_t gorse_clip(gorse_rect *area, const gorse_rect *by);
/* Leaves of `area` the smallest box around it and `other`. */
void gorse_join(gorse_rect *area, const gorse_rect *other);
/* 1 if no pixel is inside. */
uint8_t gorse_is_empty(const gorse_rect *r);

/* `amount` of 255 in steps: value * amount / 255, rounded. */
static inline uint8_t gorse_scale8(uint8_t value, uint8_t amount) {
    uint16_t product = (uint16_t)((uint16_t)value * amount + 128u);
    return (uint8_t)((uint16_t)(product + (product >> 8)) >> 8);
}

static inline uint8_t gorse_alpha(gorse_colour colour) { return (uint8_t)(colour >> 24); }

/* The smaller and the larger of two coordinates. */
static inline gorse_coord gorse_min(gorse_coord a, gorse_coord b) { return a < b ? a : b; }
static inline gorse_coord gorse_max(gorse_coord a, gorse_coord b) { return a > b ? a : b; }

/* Copies from program memory. */
#if GORSE_SEPARATE_ROM
void gorse_copy_rom(void *to, const GORSE_ROM void *from, uint16_t bytes);
#else
static inline void gorse_copy_rom(void *to, const void *from, uint16_t bytes) { memcpy(to, from, bytes); }
#endif

#ifdef __cplusplus
}
#endif
#endif
