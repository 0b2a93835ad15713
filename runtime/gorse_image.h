/* SPDX-License-Identifier: MIT */
/* What the files that draw and read images share. */
#ifndef GORSE_IMAGE_H
#define GORSE_IMAGE_H

#include <string.h>

#include "gorse_draw.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The bytes of one plane of an image: its pixels or its mask. */
typedef struct gorse_image_plane {
    const GORSE_ROM uint8_t *bytes;
    const GORSE_ROM uint32_t *groups; /* packed by runs: where each 8 rows (or each page) begin, else 0 */
    uint32_t address;                 /* in the memory behind gorse_port.read */
    uint16_t width;                   /* of a row or page in units */
    uint8_t unit;                     /* bytes: of a pixel, or 1 below 8 bits */
    uint8_t pages;                    /* 1: a row here is a page */
} gorse_image_plane;

/* Where reading a row of a plane has got to. */
typedef struct gorse_image_row {
    const gorse_image_plane *plane;
    const gorse *run;
    uint32_t at;   /* the next byte of the plane */
    uint16_t y;    /* which row this is */
    uint16_t rest; /* units that the row still holds */
    uint16_t left; /* units that the present run still holds */
    uint8_t open;  /* 1: at, y, rest and left are right */
    uint8_t same;  /* 1: they are all `value`, else they follow */
    uint8_t value[4];
    uint8_t ahead_first, ahead_count; /* of outside memory, bytes read ahead */
    uint8_t ahead[16];
} gorse_image_row;

/* A plane with the row that is read. */
typedef struct gorse_plane_reader {
    gorse_image_plane plane;
    gorse_image_row row;
} gorse_plane_reader;

/* An image while its rows are read, wherever its bytes are. */
typedef struct gorse_image_reading {
    const gorse_canvas *c;
    const GORSE_ROM gorse_image *image;
    const GORSE_ROM gorse_image_source *source; /* the image's, or one that leaves everything as it is */
    gorse_plane_reader *pixels;                 /* 0: a mask alone */
    gorse_plane_reader *mask;                   /* 0: none */
    uint8_t bits;                               /* a pixel */
} gorse_image_reading;

/* How many pixels of an image are worked on at a time, on the stack, where they can't be copied from where they lie: a
 * multiple of 8, so that parts begin with whole bytes. */
enum { GORSE_IMAGE_PIXELS = GORSE_CHUNK < 32 ? 8 : GORSE_FAST ? GORSE_CHUNK : GORSE_CHUNK / 32 * 8 };

/* n values of packed bits from the byte that holds pixel `column` on, as coverage. */
void gorse_spread_mask(const uint8_t *bytes, uint8_t bits, uint16_t column, uint16_t n, uint8_t *out);
/* Bytes that hold n pixels of `bits` from pixel x on. */
uint16_t gorse_bytes_of(uint16_t x, uint16_t n, uint8_t bits);
/* What of an image at x, y lies inside the clip; 1 if that is anything. */
uint8_t gorse_image_area(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                         gorse_rect *area);

/* Begins to read an image, with room for its pixels; and for its mask, which may lie in another frame of the stack. */
void gorse_open_image(gorse_image_reading *reading, const gorse_canvas *c, const GORSE_ROM gorse_image *image,
                      gorse_plane_reader *pixels);
void gorse_open_mask(gorse_image_reading *reading, gorse_plane_reader *mask);
/* Goes to a pixel. */
void gorse_start_image_row(const gorse_image_reading *reading, uint16_t column, uint16_t y);
/* Reads the coverage of n pixels, at most GORSE_IMAGE_PIXELS, by way of `room`; 0 if all are opaque. What is read of a
 * row after the pixel that was gone to follows on it; each part but the first begins with a whole byte. */
uint8_t gorse_read_mask(const gorse_image_reading *reading, uint16_t column, uint16_t y, uint16_t n, uint8_t *room,
                        uint8_t *coverage);
/* Reads the pixels themselves in the panel's row form, in `room` for 4 bytes each, or where they lie. May lessen the
 * coverage, which is read before. There must be pixels. */
const uint8_t *gorse_read_pixels(const gorse_image_reading *reading, uint16_t column, uint16_t y, uint16_t n,
                                 uint8_t *room, uint8_t *coverage);

/* A part of an image, in its pixels, and the rectangle of the panel that it fills. */
typedef struct gorse_image_part {
    gorse_rect from, to;
    uint8_t mirror; /* GORSE_MIRROR_... */
} gorse_image_part;
/* Draws it: of several pixels on one the middle one, one on several repeated. `from` must lie in the image. A mask
 * without pixels is drawn in `colour`. */
void gorse_draw_image_part(const gorse_canvas *c, const GORSE_ROM gorse_image *image, const gorse_image_part *part,
                           gorse_colour colour);

/* The whole image with its top left at x, y. */
void gorse_draw_mirrored_image(const gorse_canvas *c, const GORSE_ROM gorse_image *image, gorse_coord x, gorse_coord y,
                               uint8_t mirror, gorse_colour colour);

/* An image that is turned round a point. */
typedef struct gorse_turned_image {
    const GORSE_ROM gorse_image *image; /* plainly in memory */
    gorse_colour colour;                /* of a mask without pixels */
    int32_t x, y;                       /* where the point is on the panel, and in the image; 1/64 pixel */
    int32_t image_x, image_y;
    uint16_t angle; /* 1/64 degree, clockwise, below 360 degrees */
    uint8_t mirror; /* GORSE_MIRROR_..., round the image's middle before it is turned */
} gorse_turned_image;
/* Draws it with the mean of the four pixels around each place; where they are not all opaque, the one of most weight.
 */
void gorse_draw_turned_image(const gorse_canvas *c, const gorse_turned_image *turned);

/* Zeros where the firmware gives no way to read. */
static inline void gorse_read_outside(const gorse *run, uint32_t address, uint8_t *to, uint16_t n) {
    if (run->port.read != 0)
        run->port.read(run->port.user, address, to, n);
    else
        memset(to, 0, n);
}

/* Packed by runs, each row for itself: a byte below 128 says that so many units and one more follow; another, that
 * the unit that follows is repeated (byte - 125) times, 3 to 130. */
enum { GORSE_RUN = 128, GORSE_RUN_MIN = 3 };

#ifdef __cplusplus
}
#endif
#endif
