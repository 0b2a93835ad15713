/* SPDX-License-Identifier: MIT */
/* The tables of a scene that describe widgets: fonts, looks, and the records of the kinds that show no value. */
#ifndef GORSE_SCENE_WIDGETS_H
#define GORSE_SCENE_WIDGETS_H

#include "gorse_scene_images.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Stands for "none" wherever a number refers to something. */
#define GORSE_NONE 0xffffu

struct gorse_canvas;

/* Accents may rise above the line: a glyph's top counts from this many pixels above it. */
#define GORSE_TOP_BIAS 32

/* A glyph's bits begin at a whole byte, rows without gaps, leftmost pixel in the highest bits; or as runs. */
typedef struct gorse_glyph {
    uint16_t offset_low; /* of its first byte in the font's bits */
    uint8_t offset_high;
    uint8_t width, height;
    int8_t left; /* from the pen to the bitmap's left edge */
    uint8_t top; /* from the line's top to the bitmap's top edge, plus GORSE_TOP_BIAS */
    uint8_t advance;
} gorse_glyph;

/* `count` characters from `first` on have the glyphs from number `glyph` on. Sorted, without overlap. */
typedef struct gorse_range {
    uint32_t first;
    uint16_t count;
    uint16_t glyph;
} gorse_range;

/* The pen moves `by` pixels between two glyphs. Sorted by left, then right. */
typedef struct gorse_kern {
    uint16_t left, right;
    int16_t by;
} gorse_kern;

/* How far a glyph has been read: pixel by pixel from its top left, as if its rows were one. Begins as the first of its
 * bytes, 0, 255, the font's depth, 0; each way of reading uses it as it needs. */
typedef struct gorse_glyph_reader {
    const GORSE_ROM uint8_t *bits; /* the byte that holds the next half byte */
    uint16_t left;                 /* pixels of this value that are still to come */
    uint8_t value;                 /* coverage, 0 to 255 */
    uint8_t depth;                 /* bits a pixel */
    uint8_t low;                   /* 1: the next half byte is the byte's low one */
    uint8_t reserved;
} gorse_glyph_reader;

/* Glyph 0 is the box shown for a missing character. */
typedef struct gorse_font {
    const GORSE_ROM gorse_range *ranges;
    const GORSE_ROM gorse_glyph *glyphs;
    const GORSE_ROM gorse_kern *kerns;
    const GORSE_ROM uint8_t *bits;
    /* How its glyphs are stored: gorse_read_glyph_... Leaves out `skip` pixels, then reads n. */
    void (*read)(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage);
    uint16_t range_count, kern_count;
    uint8_t line_height, bits_per_pixel;
    uint8_t reserved[2];
} gorse_font;

/* Bits of a widget's state, which a look may depend on. */
enum {
    GORSE_STATE_PRESSED = 1,
    GORSE_STATE_WRONG = 2,    /* its value is out of its range */
    GORSE_STATE_ON = 4,       /* a control whose variable is not 0, or has the value of its choice */
    GORSE_STATE_DISABLED = 8, /* it takes no touch */
    GORSE_STATE_FOCUSED = 16  /* the knob and the keys are on it */
};

struct gorse_look;

/* The look to take instead while all bits of `when` are set. */
typedef struct gorse_look_state {
    const GORSE_ROM struct gorse_look *look;
    uint8_t when;
} gorse_look_state;

typedef struct gorse_look {
    gorse_colour fill, border, text;
    const GORSE_ROM gorse_font *font;
    const GORSE_ROM gorse_look_state *states;
    uint8_t state_count;
    uint8_t border_width, radius, padding; /* pixels */
} gorse_look;

struct gorse_widget;

enum {
    GORSE_KIND_HAS_TEXT = 1,  /* its record begins with a gorse_widget_text */
    GORSE_KIND_TOUCHED = 2,   /* takes presses */
    GORSE_KIND_FINE_TEXT = 4, /* its text is in gorse_text_widget_box, so that single characters can be redrawn */
    GORSE_KIND_WRAPPED = 8,   /* it is a gorse_wrapped_kind */
    GORSE_KIND_CONTROL = 16,  /* it, or the one that it draws by, is a gorse_control_kind */
    GORSE_KIND_LISTS = 128,   /* its record is a gorse_widget_list */
    GORSE_KIND_HOLDS = 64,    /* its record begins with a gorse_widget_group: widgets lie in it */
    GORSE_KIND_ENTERED = 32 /* its record is a gorse_widget_indicator, the third limit a step: turns change its value */
};

/* What a rule can command a kind to do. */
enum {
    GORSE_COMMAND_ENTER = 0,
    GORSE_COMMAND_PLAY = 1,
    GORSE_COMMAND_STOP = 2,
    GORSE_COMMAND_SAMPLE = 3,
    GORSE_COMMAND_OPEN = 8,
    GORSE_COMMAND_CLOSE = 9,
    GORSE_COMMAND_OVER = 10,   /* its screen is GORSE_NONE: when its widget becomes the screen, it lies over this one */
    GORSE_COMMAND_ANIMATE = 6, /* its screen is GORSE_NONE, its widget one of gorse_glides */
    GORSE_COMMAND_STAY = 7,    /* its screen is GORSE_NONE, its widget the slot of a property that glides no more */
    GORSE_COMMAND_TRANSITION = 5, /* its screen is GORSE_NONE, its widget one of gorse_transitions */
    GORSE_COMMAND_SOUND = 4       /* its screen is GORSE_NONE, its widget a tone of gorse_outputs */
};

/* What a widget's kind does. `widget` is a copy on the stack with changed properties laid over it. */
typedef struct gorse_kind {
    uint8_t record_bytes, flags;
    void (*draw)(const struct gorse_canvas *c, const struct gorse_widget *widget, const gorse_look *look);
    /* GORSE_COMMAND_ENTER when its screen is entered, and what rules say; 0 if it does nothing then. */
    void (*command)(gorse *g, const struct gorse_widget *widget, const gorse_look *look, uint8_t what);
    /* Once a step while its screen is shown; marks what changes. Returns 1 if what it did has come to its end. */
    uint8_t (*tick)(gorse *g, const struct gorse_widget *widget, const gorse_look *look);
    /* ms until tick has something to do, GORSE_FOREVER if only a variable can give it something. 0 with tick 0. */
    uint32_t (*wait)(const gorse *g, const struct gorse_widget *widget);
} gorse_kind;

/* The head of every widget's record. */
typedef struct gorse_widget {
    const GORSE_ROM gorse_kind *kind;
    const GORSE_ROM gorse_look *look;
    int16_t x, y, w, h;
    uint16_t memory;  /* where its text's buffer, then its kind's state begin in the screen's part of the state, or
                         GORSE_NONE */
    uint8_t capacity; /* bytes of the buffer, the closing zero included; 0: its text does not change */
    uint8_t visible;
    uint8_t first_slot, slot_count; /* of the screen's slots, those of this widget */
    uint8_t opacity;                /* 255: nothing shows through; for kinds of gorse_wrapped.h, others ignore it */
    uint8_t enabled;                /* takes touch; only scenes with controls look at it */
} gorse_widget;

enum { GORSE_ALIGN_START = 0, GORSE_ALIGN_MIDDLE = 1, GORSE_ALIGN_END = 2 };

/* A widget with a text. The text is UTF-8 that ends with 0; a byte 1 begins an inset:
 * 1, form, digits, decimals, scale, length of the byte code, the byte code. It may hold zeros. */
typedef struct gorse_widget_text {
    gorse_widget widget;
    const GORSE_ROM uint8_t *text;
    uint8_t align, place, wrap; /* align: GORSE_ALIGN_START left to GORSE_ALIGN_END right; place: top to bottom */
    uint8_t reserved;
} gorse_widget_text;

/* A text that rolls where its widest line has no room. Its memory holds a gorse_roll_state behind the text. */
typedef struct gorse_widget_rolling {
    gorse_widget_text label;
    uint16_t pause;     /* ms that it stands still at its beginning, and at its end if it turns back */
    uint8_t speed;      /* pixels a second, at least 1 */
    uint8_t gap;        /* pixels between its end and its beginning, if it does not */
    uint8_t turns_back; /* 1 */
    uint8_t reserved[3];
} gorse_widget_rolling;

/* A text that is written smaller where it is too long: in the first of three fonts in which it has room, else in the
 * last. */
typedef struct gorse_widget_shrinking {
    gorse_widget_rolling rolling;     /* whose settings have no effect */
    const GORSE_ROM gorse_font *next; /* the first is the look's; 0: there is none */
    const GORSE_ROM gorse_font *last;
} gorse_widget_shrinking;

typedef struct gorse_roll_state {
    uint32_t since; /* when it began, or came round */
    uint16_t sum;   /* of the text that it is of */
    uint16_t width; /* pixels, of its widest line */
    uint16_t way;   /* pixels that it moves before it stands still again; 0 if it has room */
    uint16_t shift; /* pixels that it has moved to the left */
} gorse_roll_state;

enum { GORSE_TEXT_INSET = 1 };
/* The form of an inset. */
enum {
    GORSE_FORM_NUMBER = 0, /* at least `digits` before the point, `decimals` behind it */
    GORSE_FORM_TEXT = 1,
    GORSE_FORM_YES_NO = 2,
    GORSE_FORM_CLOCK = 3, /* a number of seconds as m:ss (digits 2), h:mm:ss (digits 3); decimals: minimum
                             digits of the first part */
    GORSE_FORM_NAME = 4   /* the name of a number from 1 on. The names lie behind `digits` bytes of byte code, each
                             closed by 0 */
};

typedef struct gorse_widget_rectangle {
    gorse_widget widget;
} gorse_widget_rectangle;

/* A rectangle whose corners differ, or whose fill passes into another colour. */
typedef struct gorse_widget_shaded {
    gorse_widget_rectangle box;
    gorse_colour fill_to; /* at the lower or right edge; as GORSE_SHADED_SAME it is that of the look */
    uint8_t corners[4];   /* radius, pixels: top left, top right, bottom right, bottom left */
    uint8_t direction;    /* GORSE_SHADED_DOWN, GORSE_SHADED_RIGHT */
    uint8_t by_radius;    /* 1: all corners have the look's radius */
    uint8_t reserved[2];
} gorse_widget_shaded;

enum { GORSE_SHADED_DOWN = 0, GORSE_SHADED_RIGHT = 1 };
#define GORSE_SHADED_SAME 0u

/* An ellipse in the box. */
typedef struct gorse_widget_disc {
    gorse_widget widget;
    uint16_t from_angle, to_angle; /* degrees; 0 at the top, clockwise; equal: all round */
    uint8_t hole;                  /* percent of the radius, below 100 */
    uint8_t reserved[3];
} gorse_widget_disc;

/* A point of a line or polygon in a table of 16-bit numbers, so many for each: where it is, in pixels of the box; which
 * way the next one is, a vector of the length 1 << 14; where the two edges at it meet one pixel to the left of both,
 * from the point on in 1/4096 pixel; up to how many 1/64 pixel beside the edges they still meet. */
enum {
    GORSE_POINT_X = 0,
    GORSE_POINT_Y = 1,
    GORSE_POINT_ALONG_X = 2,
    GORSE_POINT_ALONG_Y = 3,
    GORSE_POINT_MITRE_X = 4,
    GORSE_POINT_MITRE_Y = 5,
    GORSE_POINT_LIMIT = 6,
    GORSE_POINT_NUMBERS = 7
};

/* A stroke through points. The last of a closed one is not repeated. */
typedef struct gorse_widget_line {
    gorse_widget widget;
    const GORSE_ROM int16_t *points;
    uint8_t point_count, is_closed;
    uint8_t thickness;      /* pixels */
    uint8_t ends;           /* GORSE_ENDS_... */
    uint8_t dash, dash_gap; /* pixels; dash 0: drawn whole */
    uint8_t reserved[2];
} gorse_widget_line;

enum { GORSE_ENDS_FLAT = 0, GORSE_ENDS_ROUND = 1 };

/* The points go clockwise round the area, as far as their edges do not cross. */
typedef struct gorse_widget_polygon {
    gorse_widget widget;
    const GORSE_ROM int16_t *points;
    uint16_t border_limit; /* from this border on nothing is left inside it; 1/64 pixel */
    uint8_t point_count;
    uint8_t reserved;
} gorse_widget_polygon;

/* Instead of where something turns: in the middle of its box. */
#define GORSE_PIVOT_MIDDLE (-32768)

enum { GORSE_MIRROR_NONE = 0, GORSE_MIRROR_ACROSS = 1, GORSE_MIRROR_DOWN = 2 };
enum { GORSE_REPEAT_ONCE = 0, GORSE_REPEAT_TILE = 1, GORSE_REPEAT_STRETCH = 2 };

typedef struct gorse_widget_image {
    gorse_widget widget;
    const GORSE_ROM gorse_image *image;
    uint8_t align, place;
    uint8_t mirror;           /* GORSE_MIRROR_... */
    uint8_t repeat;           /* GORSE_REPEAT_... */
    int16_t turn;             /* degrees, clockwise, round the pivot */
    int16_t pivot_x, pivot_y; /* from the box's top left; GORSE_PIVOT_MIDDLE */
    int16_t entry;            /* of its palette, -1 for none; for kinds of gorse_wrapped.h */
    gorse_colour exchanged;   /* the colour that it is drawn in */
    uint8_t slice;            /* pixels at each edge that are not stretched */
    uint8_t reserved[3];
} gorse_widget_image;

enum {
    GORSE_PLAY_LOOP = 0,
    GORSE_PLAY_ONCE = 1,
    GORSE_PLAY_TO_AND_FRO = 2,
    GORSE_PLAY_STARTS = 4 /* a bit: when its screen is entered */
};

/* Its memory holds a gorse_frames_state. */
typedef struct gorse_widget_frames {
    gorse_widget widget;
    const GORSE_ROM gorse_animation *animation;
    const GORSE_ROM int32_t *steps; /* 0: plays by time; else from which value on each frame after the first shows */
    uint16_t variable;              /* whose value, with steps */
    uint8_t align, place;
    uint8_t play;        /* GORSE_PLAY_..., with GORSE_PLAY_STARTS */
    uint8_t mirror;      /* GORSE_MIRROR_... */
    uint8_t first, last; /* the frames that are shown, from 1 on; last 0: to the end */
    int16_t entry;       /* as of images */
    uint8_t reserved[2];
    gorse_colour exchanged;
} gorse_widget_frames;

typedef struct gorse_frames_state {
    uint32_t since; /* when the frame came */
    uint16_t frame;
    uint8_t playing, backwards;
} gorse_frames_state;

/* A map of cells, each as large as a frame of the image. */
typedef struct gorse_widget_tiles {
    gorse_widget widget;
    const GORSE_ROM gorse_animation *animation;
    const GORSE_ROM uint8_t *cells; /* row by row: a frame from 1 on, 0 for none; no other map has the same address */
    int16_t pan_x, pan_y;           /* pixels of the map that lie left of the box and above it */
    uint8_t columns, rows;
    uint8_t set_by_firmware; /* 1: it has a setter */
    uint8_t reserved;
} gorse_widget_tiles;

enum { GORSE_SIDE_LEFT = 0, GORSE_SIDE_RIGHT = 1, GORSE_SIDE_ABOVE = 2, GORSE_SIDE_BELOW = 3 };

typedef struct gorse_widget_button {
    gorse_widget_text label;
    const GORSE_ROM gorse_image *image; /* 0: none */
    uint8_t image_side;
    uint8_t gap;       /* pixels between image and text */
    uint16_t variable; /* that it sets, of a gorse_widget_acting_button */
} gorse_widget_button;

/* Bits of gorse_widget_clock.hands. */
enum { GORSE_CLOCK_SHOWS_HOUR = 1, GORSE_CLOCK_SHOWS_MINUTE = 2, GORSE_CLOCK_SHOWS_SECOND = 4 };

/* Its memory holds a gorse_clock_time. */
typedef struct gorse_widget_clock {
    gorse_widget widget;
    const GORSE_ROM gorse_image *image; /* behind the hands, in the middle of the box; 0: none */
    gorse_colour second_colour;         /* of the hand of seconds and the hub */
    uint16_t clock;                     /* the first number of the clock, or GORSE_NONE */
    uint8_t hands;                      /* GORSE_CLOCK_SHOWS_... */
    uint8_t ticks;                      /* how many; 0: none */
    uint8_t hand_width;                 /* pixels, of the hand of hours at its middle */
    uint8_t reserved[3];
} gorse_widget_clock;

/* The time that a clock shows. */
typedef struct gorse_clock_time {
    uint16_t minute; /* of the day */
    uint8_t second;  /* 0 where no hand shows it */
    uint8_t reserved;
} gorse_clock_time;

#ifdef __cplusplus
}
#endif
#endif
