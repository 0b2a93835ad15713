/* SPDX-License-Identifier: MIT */
/* The tables that describe images: how their pixels lie, where their bytes come from, how they become the panel's. */
#ifndef GORSE_SCENE_IMAGES_H
#define GORSE_SCENE_IMAGES_H

#include "gorse.h"

#ifdef __cplusplus
extern "C" {
#endif

typedef GORSE_COORD gorse_coord;

struct gorse_canvas;

/* 0xAARRGGBB; alpha 0 draws nothing, 255 covers. */
typedef uint32_t gorse_colour;

struct gorse_image;

/* How an image's pixels lie in its bytes. */
typedef struct gorse_image_format {
    uint8_t bits; /* a pixel: 1, 2, 4, 8, 16, 24 or 32 */
    uint8_t rows; /* rows that share a byte: 8 for page formats, else 1 */
    /* Gives n pixels of an image that lies plainly in memory in the panel's own form, from x, y on, in the row form: in
     * `room` or where they lie. gorse_get_image_bytes, or gorse_get_image_bits where there is a `spread`. */
    const uint8_t *(*get)(const GORSE_ROM struct gorse_image *image, uint16_t x, uint16_t y, uint16_t n, uint8_t *room);
    /* Gives `n` pixels a byte each; `skip` is how many pixels (of page formats: rows) of the first byte come before
     * them. 0 for formats of whole bytes. */
    void (*spread)(const uint8_t *bytes, uint8_t skip, uint16_t n, uint8_t *out);
} gorse_image_format;

struct gorse_image_row;
struct gorse_image_source;

/* How bytes are got that don't lie plainly in memory. */
typedef struct gorse_image_reader {
    /* Sets `row` to unit number `skip` of row number `y` (of page formats: page) of a plane. */
    void (*start)(struct gorse_image_row *row, uint16_t y, uint16_t skip);
    /* Gives `n` units from there on, in `room` or where they lie. */
    const uint8_t *(*get)(struct gorse_image_row *row, uint16_t n, uint8_t *room);
    /* Draws n opaque pixels of whole bytes in the panel's own form. 0: they are got and copied. */
    void (*draw)(struct gorse_image_row *row, const struct gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n);
} gorse_image_reader;

/* How an image is stored that does not lie plainly in memory in the panel's own form. */
typedef struct gorse_image_source {
    /* gorse_draw_stored_image. */
    void (*draw)(const struct gorse_canvas *c, const GORSE_ROM struct gorse_image *image, gorse_coord x, gorse_coord y,
                 gorse_colour colour);
    const GORSE_ROM gorse_image_reader *reader; /* 0: plainly in memory */
    /* Makes `n` pixels (a byte each below 8 bits, else their bytes) the panel's row form, in place, in room for
     * n * 4 bytes; may lessen `coverage`. 0: they are already. */
    void (*convert)(const struct gorse_canvas *c, const GORSE_ROM struct gorse_image_source *source, uint8_t *pixels,
                    uint16_t n, uint8_t *coverage);
    const GORSE_ROM uint8_t *palette;       /* in the panel's row form */
    const GORSE_ROM uint32_t *pixel_groups; /* packed by runs: where each 8 rows (or each page) begin, else 0 */
    const GORSE_ROM uint32_t *mask_groups;
    uint32_t pixel_address, mask_address; /* in the memory behind gorse_port.read */
} gorse_image_source;

/* `pixels` 0: only the mask is drawn, in the look's text colour. `mask` 0: opaque. Rows are padded to bytes. An image
 * in outside memory has `format` for its pixels, `mask_bits` for its mask, and no pointers. */
typedef struct gorse_image {
    const GORSE_ROM gorse_image_format *format; /* 0: a mask alone */
    const GORSE_ROM uint8_t *pixels;
    const GORSE_ROM uint8_t *mask;
    const GORSE_ROM gorse_image_source *source; /* 0: plainly in memory, in the panel's own form */
    uint16_t width, height;
    uint8_t mask_bits; /* 1, 2, 4 or 8; 0: opaque */
    uint8_t reserved[3];
} gorse_image;

/* The frames of an image in the order in which they play. */
typedef struct gorse_animation {
    const GORSE_ROM gorse_image *const GORSE_ROM *frames;
    const GORSE_ROM uint16_t *times; /* ms that each is shown */
    uint16_t count;
    uint16_t reserved;
} gorse_animation;

extern const GORSE_ROM gorse_image_format gorse_image_page1;
extern const GORSE_ROM gorse_image_format gorse_image_row1;
extern const GORSE_ROM gorse_image_format gorse_image_row1_lsb;
extern const GORSE_ROM gorse_image_format gorse_image_bits2;
extern const GORSE_ROM gorse_image_format gorse_image_bits4;
extern const GORSE_ROM gorse_image_format gorse_image_bits8;
extern const GORSE_ROM gorse_image_format gorse_image_bits16;
extern const GORSE_ROM gorse_image_format gorse_image_bits24;
extern const GORSE_ROM gorse_image_format gorse_image_bits32;

/* Packed by runs in memory; in outside memory, plain and packed by runs. */
extern const GORSE_ROM gorse_image_reader gorse_reader_runs;
extern const GORSE_ROM gorse_image_reader gorse_reader_outside;
extern const GORSE_ROM gorse_image_reader gorse_reader_outside_runs;

/* gorse_image_source.draw. */
void gorse_draw_stored_image(const struct gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x,
                             gorse_coord y, gorse_colour colour);

/* gorse_image_format.get. */
const uint8_t *gorse_get_image_bytes(const GORSE_ROM gorse_image *image, uint16_t x, uint16_t y, uint16_t n,
                                     uint8_t *room);
const uint8_t *gorse_get_image_bits(const GORSE_ROM gorse_image *image, uint16_t x, uint16_t y, uint16_t n,
                                    uint8_t *room);

/* gorse_image_source.convert: by the source's palette, and from colours of each kind of pixel. */
void gorse_convert_palette(const struct gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                           uint16_t n, uint8_t *coverage);
void gorse_convert_grey8(const struct gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                         uint16_t n, uint8_t *coverage);
void gorse_convert_rgb332(const struct gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                          uint16_t n, uint8_t *coverage);
void gorse_convert_rgb565(const struct gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                          uint16_t n, uint8_t *coverage);
void gorse_convert_rgb565_be(const struct gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                             uint16_t n, uint8_t *coverage);
void gorse_convert_rgb888(const struct gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                          uint16_t n, uint8_t *coverage);
void gorse_convert_argb8888(const struct gorse_canvas *c, const GORSE_ROM gorse_image_source *source, uint8_t *pixels,
                            uint16_t n, uint8_t *coverage);

#ifdef __cplusplus
}
#endif
#endif
