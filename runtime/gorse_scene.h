/* SPDX-License-Identifier: MIT */
/* The tables that describe an interface. The desktop builds them in memory, generated code writes them as
 * initialisers; nothing else describes an interface. All tables are constant and live in program memory. */
#ifndef GORSE_SCENE_H
#define GORSE_SCENE_H

#include "gorse_scene_images.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Stands for "none" wherever a number refers to something. */
#define GORSE_NONE 0xffffu

typedef struct gorse_rect {
    gorse_coord x0, y0, x1, y1; /* x1 and y1 are the first pixel outside */
} gorse_rect;

struct gorse_canvas;

/* A pixel format: how spans of pixels get into the draw buffer. x and y are coordinates on the panel, always inside
 * the canvas's clip; n is at least 1. `native` is what the format's native() made of a colour. */
typedef struct gorse_format {
    uint8_t bits;    /* bits a pixel: 1, 2, 4, 8, 16, 24 or 32 */
    uint8_t rows;    /* rows that share a byte: 8 for page formats, else 1 */
    uint8_t columns; /* columns that share a byte: 8 / bits where rows are packed, else 1 */
    uint8_t flags;   /* GORSE_FORMAT_LOW_BIT_FIRST, GORSE_FORMAT_HIGH_BYTE_FIRST */
    /* The pixel nearest to a colour, its low byte the first in memory; a 16-bit one is a word of the target's. */
    uint32_t (*native)(const struct gorse_canvas *c, gorse_colour colour);
    void (*fill)(const struct gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, uint32_t native);
    /* Mixes `native` over what is there by `coverage` (0 none to 255 whole) of each pixel. */
    void (*mask)(const struct gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *coverage,
                 uint32_t native);
    /* Stores `n` pixels in the format's row form (below 8 bits a byte a pixel, else the packed bytes), mixed by
     * `coverage` unless that is 0. */
    void (*copy)(const struct gorse_canvas *c, gorse_coord x, gorse_coord y, uint16_t n, const uint8_t *pixels,
                 const uint8_t *coverage);
} gorse_format;

enum {
    GORSE_FORMAT_LOW_BIT_FIRST = 1,  /* the leftmost pixel is in the lowest bit */
    GORSE_FORMAT_HIGH_BYTE_FIRST = 2 /* a word's high byte comes first */
};

/* Bits of gorse_panel.flags: what a panel's memory needs to show the picture the right way. */
enum { GORSE_PANEL_MIRROR_X = 1, GORSE_PANEL_MIRROR_Y = 2, GORSE_PANEL_INVERT = 4, GORSE_PANEL_SWAP_RED_BLUE = 8 };

struct gorse_strip;

typedef struct gorse_panel {
    const GORSE_ROM gorse_format *format;
    /* Cuts an area into strips: gorse_paint_rows, or gorse_paint_squares when the panel is turned by a quarter. */
    void (*paint)(gorse *g, const gorse_rect *area);
    /* Turns a drawn strip in place into the panel's orientation; 0 when the panel needs nothing. */
    void (*turn)(struct gorse_strip *strip, const GORSE_ROM struct gorse_panel *panel);
    const GORSE_ROM gorse_colour *palette; /* of indexed formats, else 0 */
    /* Bytes of a line or page, or of a square of whole bytes where rows and columns are exchanged. */
    uint32_t min_buffer_bytes;
    uint16_t width, height; /* of the interface, before it is turned */
    uint16_t column_offset, row_offset;
    uint16_t palette_count;
    uint8_t quarter_turns; /* clockwise: 0 to 3 */
    uint8_t flags;
    /* What is sent begins where a byte begins: at a multiple of the unit (1, 2, 4 or 8 pixels) plus the phase. */
    uint8_t unit_x, unit_y;
    uint8_t phase_x, phase_y;
} gorse_panel;

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

/* Glyph 0 is the box that stands for a missing character. */
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
enum { GORSE_STATE_PRESSED = 1 };

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
    GORSE_KIND_HAS_TEXT = 1, /* its record begins with a gorse_widget_text */
    GORSE_KIND_TOUCHED = 2,  /* takes presses */
    GORSE_KIND_FINE_TEXT = 4 /* its text is in gorse_text_widget_box, so that single characters can be redrawn */
};

/* What a rule can command a kind to do. */
enum { GORSE_COMMAND_ENTER = 0, GORSE_COMMAND_PLAY = 1, GORSE_COMMAND_STOP = 2 };

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
    uint8_t reserved[2];
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

enum { GORSE_TEXT_INSET = 1 };
/* The form of an inset. */
enum {
    GORSE_FORM_NUMBER = 0, /* at least `digits` before the point, `decimals` behind it */
    GORSE_FORM_TEXT = 1,
    GORSE_FORM_YES_NO = 2,
    GORSE_FORM_CLOCK = 3 /* a number of seconds as m:ss (digits 2), h:mm:ss (digits 3); decimals: minimum
                            digits of the first part */
};

typedef struct gorse_widget_rectangle {
    gorse_widget widget;
} gorse_widget_rectangle;

/* An ellipse in the box. */
typedef struct gorse_widget_disc {
    gorse_widget widget;
    uint16_t from_angle, to_angle; /* degrees; 0 at the top, clockwise; equal: all round */
    uint8_t hole;                  /* percent of the radius, below 100 */
    uint8_t reserved[3];
} gorse_widget_disc;

typedef struct gorse_widget_image {
    gorse_widget widget;
    const GORSE_ROM gorse_image *image;
    uint8_t align, place;
    uint8_t reserved[2];
} gorse_widget_image;

enum { GORSE_PLAY_LOOP = 0, GORSE_PLAY_ONCE = 1, GORSE_PLAY_TO_AND_FRO = 2 };

/* Its memory holds a gorse_frames_state. */
typedef struct gorse_widget_frames {
    gorse_widget widget;
    const GORSE_ROM gorse_animation *animation;
    const GORSE_ROM int32_t *steps; /* 0: plays by time; else from which value on each frame after the first shows */
    uint16_t variable;              /* whose value, with steps */
    uint8_t align, place;
    uint8_t play;
    uint8_t starts; /* plays when its screen is entered */
    uint8_t reserved[2];
} gorse_widget_frames;

typedef struct gorse_frames_state {
    uint32_t since; /* when the frame came */
    uint16_t frame;
    uint8_t playing, backwards;
} gorse_frames_state;

enum { GORSE_SIDE_LEFT = 0, GORSE_SIDE_RIGHT = 1, GORSE_SIDE_ABOVE = 2, GORSE_SIDE_BELOW = 3 };

typedef struct gorse_widget_button {
    gorse_widget_text label;
    const GORSE_ROM gorse_image *image; /* 0: none */
    uint8_t image_side;
    uint8_t gap; /* pixels between image and text */
    uint8_t reserved[2];
} gorse_widget_button;

/* The head of a record that shows a value. */
typedef struct gorse_widget_indicator {
    gorse_widget widget;
    const GORSE_ROM int32_t *limits; /* min, max, which is above it, and what else the kind says */
    uint16_t variable;               /* whose value, or GORSE_NONE: 0 is shown */
    uint8_t reserved[2];
} gorse_widget_indicator;

enum { GORSE_DIRECTION_RIGHT = 0, GORSE_DIRECTION_UP = 1, GORSE_DIRECTION_LEFT = 2, GORSE_DIRECTION_DOWN = 3 };

/* Its limits: min, max, the value that it grows from. Its memory holds where it ends, 2 bytes: pixels, or parts. */
typedef struct gorse_widget_progress {
    gorse_widget_indicator shown;
    uint8_t direction;
    uint8_t parts; /* 0 and 1: a whole bar */
    uint8_t part_gap;
    uint8_t reserved;
} gorse_widget_progress;

/* The largest record of all kinds, for the copy on the stack. */
typedef union gorse_record {
    gorse_widget widget;
    gorse_widget_rectangle rectangle;
    gorse_widget_disc disc;
    gorse_widget_text label;
    gorse_widget_image picture;
    gorse_widget_button button;
    gorse_widget_frames frames;
    gorse_widget_indicator indicator;
    gorse_widget_progress progress;
} gorse_record;

/* Sizes of a slot's field; `GORSE_SLOT_TEXT` is a pointer to one of the scene's strings. */
enum { GORSE_SLOT_TEXT = 0, GORSE_SLOT_LOOK = 0x80 };

/* A property of a widget that rules read or write: `size` bytes (1, 2 or 4) at `offset` of its record, or of its
 * look with GORSE_SLOT_LOOK added to the size. */
typedef struct gorse_slot {
    int32_t initial;
    uint16_t widget;
    uint8_t offset, size;
} gorse_slot;

/* The text of `widget` shows `variable` (text variables count on from the numbers). */
typedef struct gorse_binding {
    uint16_t variable, widget;
} gorse_binding;

typedef struct gorse_screen {
    gorse_colour background;
    const GORSE_ROM gorse_widget *const GORSE_ROM *widgets; /* the lowest first */
    const GORSE_ROM gorse_slot *slots;
    const GORSE_ROM gorse_binding *bindings;
    uint16_t widget_count, slot_count, binding_count;
    uint16_t first_slot; /* of the scene's */
} gorse_screen;

typedef struct gorse_number_variable {
    int32_t min, max, start;
} gorse_number_variable;

typedef struct gorse_text_variable {
    const GORSE_ROM uint8_t *start;
    uint16_t offset;  /* in the texts' part of the state */
    uint8_t capacity; /* bytes, the closing zero included */
    uint8_t reserved;
} gorse_text_variable;

enum {
    GORSE_EVENT_START = 0,
    GORSE_EVENT_ENTER = 1,
    GORSE_EVENT_PRESS = 2,
    GORSE_EVENT_RELEASE = 3,
    GORSE_EVENT_TAP = 4,
    GORSE_EVENT_LEAVE = 5,
    GORSE_EVENT_EVERY = 6,
    GORSE_EVENT_WHEN = 7,
    GORSE_EVENT_DONE = 8
};

/* What becomes of the runs of GORSE_EVENT_EVERY that a long step left out. */
enum {
    GORSE_MISSED_ALL = 0,  /* all are made up, GORSE_ROUNDS a step, but at most GORSE_CATCH_UP */
    GORSE_MISSED_ONCE = 1, /* one run replaces them */
    GORSE_MISSED_NONE = 2  /* none; the next one is in time */
};

typedef struct gorse_rule {
    uint32_t period;    /* ms, of GORSE_EVENT_EVERY */
    uint16_t condition; /* offsets in the byte code, or GORSE_NONE */
    uint16_t body, otherwise;
    uint16_t screen, widget;
    uint16_t memory; /* which timer of GORSE_EVENT_EVERY, which byte of GORSE_EVENT_WHEN */
    uint8_t event;
    uint8_t missed; /* GORSE_MISSED_..., of GORSE_EVENT_EVERY */
    uint8_t reserved[2];
} gorse_rule;

/* What widgets do by themselves; scenes without such kinds leave it out. */
typedef struct gorse_motion {
    void (*enter)(gorse *g);    /* the shown screen was entered */
    uint32_t (*tick)(gorse *g); /* once and again in each step; returns the ms until it has something to do */
    void (*command)(gorse *g, uint16_t screen, uint16_t widget, uint8_t what); /* what a rule says */
} gorse_motion;

struct gorse_machine;
struct gorse_writer;

typedef struct gorse_scene {
    const GORSE_ROM gorse_panel *panel;
    const GORSE_ROM gorse_screen *screens;
    const GORSE_ROM gorse_number_variable *numbers;
    const GORSE_ROM gorse_text_variable *texts;
    const GORSE_ROM gorse_rule *rules;
    const GORSE_ROM uint8_t *code;
    const GORSE_ROM uint8_t *const GORSE_ROM *strings; /* texts that rules speak of */
    /* gorse_extended_code where byte code has operations that need more, else 0. */
    void (*extended)(gorse *g, struct gorse_machine *m, uint8_t op, uint16_t operand);
    /* gorse_extended_forms where texts show times, other texts, or yes and no, else 0. */
    void (*forms)(const gorse *g, struct gorse_writer *to, const GORSE_ROM uint8_t *inset, int32_t value);
    const GORSE_ROM gorse_motion *motion; /* &gorse_motion_of_widgets where a kind does something by itself, else 0 */
    uint16_t screen_count, number_count, text_count, rule_count;
    uint16_t slot_count, timer_count, when_count, string_count;
    uint16_t first_screen;
    uint8_t scratch_bytes; /* the longest text that is put together before it is used, its closing zero included */
    uint8_t reserved;
    /* Where the parts of the state begin, in bytes behind its head; the numbers are at 0. */
    uint32_t slots_at, timers_at, changed_at, whens_at, scratch_at, texts_at, screen_at;
    uint32_t end; /* of the last part, a multiple of 4 */
} gorse_scene;

/* Byte code: one byte, then its operands, low byte first. Values are 32-bit and wrap. */
enum {
    GORSE_OP_END = 0, /* the body ends, or the value on top is the result */
    GORSE_OP_BYTE,    /* i8: push */
    /* From here to GORSE_OP_CALL_TEXT an operand of 16 bits follows. */
    GORSE_OP_SHORT,       /* i16: push */
    GORSE_OP_LONG,        /* i32: push */
    GORSE_OP_NUMBER,      /* u16: push variable */
    GORSE_OP_SLOT,        /* u16: push a property */
    GORSE_OP_SET_NUMBER,  /* u16: pop into variable */
    GORSE_OP_SET_SLOT,    /* u16 slot, u16 screen: pop into a property */
    GORSE_OP_JUMP,        /* u16: forward by so many bytes from the next operation */
    GORSE_OP_JUMP_IF_NOT, /* u16: pop, the same if it is 0 */
    GORSE_OP_GO,          /* u16 screen */
    GORSE_OP_CALL,        /* u16 hook, u8 how many values (at most 4), u8 0 */
    GORSE_OP_COMMAND,     /* u16 screen, u16 widget, u8 what: GORSE_COMMAND_PLAY, GORSE_COMMAND_STOP */
    GORSE_OP_SET_TEXT,    /* more: u16: pop a text into text variable */
    GORSE_OP_CALL_TEXT,   /* more: u16 hook, u8 how many values, u8 the bit of the one that is a text */
    GORSE_OP_BACK,
    /* Of two values, the one on top second. */
    GORSE_OP_ADD,
    GORSE_OP_SUBTRACT,
    GORSE_OP_MULTIPLY,
    GORSE_OP_EQUAL,
    GORSE_OP_LESS,
    /* From here on more is needed. */
    GORSE_OP_EXTENDED,
    GORSE_OP_DIVIDE = GORSE_OP_EXTENDED,
    GORSE_OP_REMAINDER,
    GORSE_OP_ROUND_DIVIDE, /* like divide, to the nearest, halves away from zero: gives up decimals */
    GORSE_OP_SAME_TEXT,
    GORSE_OP_COMPLEMENT,
    GORSE_OP_AND,
    GORSE_OP_OR,
    GORSE_OP_XOR,
    GORSE_OP_LEFT,
    GORSE_OP_RIGHT
};

/* Where byte code has got to. */
typedef struct gorse_machine {
    const GORSE_ROM uint8_t *at;
    int32_t *top; /* behind the topmost value */
#if GORSE_CHECKS
    int32_t *stack;
#endif
    uint8_t divided; /* by zero */
} gorse_machine;

/* A text as a value: one of the scene's strings, or a text variable with this bit. */
#define GORSE_TEXT_IS_VARIABLE 0x8000

extern const GORSE_ROM gorse_kind gorse_kind_rectangle;
extern const GORSE_ROM gorse_kind gorse_kind_disc;
extern const GORSE_ROM gorse_kind gorse_kind_text;
extern const GORSE_ROM gorse_kind gorse_kind_image;
extern const GORSE_ROM gorse_kind gorse_kind_button;
extern const GORSE_ROM gorse_kind gorse_kind_button_image; /* a button's that has an image */
extern const GORSE_ROM gorse_kind gorse_kind_frames;
extern const GORSE_ROM gorse_kind gorse_kind_progress;

extern const GORSE_ROM gorse_motion gorse_motion_of_widgets;

void gorse_extended_code(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand);
void gorse_extended_forms(const gorse *g, struct gorse_writer *to, const GORSE_ROM uint8_t *inset, int32_t value);

void gorse_read_glyph_bits(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage);
void gorse_read_glyph_nibbles(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage);
void gorse_read_glyph_runs(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage);

extern const GORSE_ROM gorse_format gorse_format_page1;
extern const GORSE_ROM gorse_format gorse_format_row1;
extern const GORSE_ROM gorse_format gorse_format_row1_lsb;
extern const GORSE_ROM gorse_format gorse_format_grey2;
extern const GORSE_ROM gorse_format gorse_format_grey4;
extern const GORSE_ROM gorse_format gorse_format_grey8;
extern const GORSE_ROM gorse_format gorse_format_index1;
extern const GORSE_ROM gorse_format gorse_format_index2;
extern const GORSE_ROM gorse_format gorse_format_index4;
extern const GORSE_ROM gorse_format gorse_format_index8;
extern const GORSE_ROM gorse_format gorse_format_rgb332;
extern const GORSE_ROM gorse_format gorse_format_rgb565;
extern const GORSE_ROM gorse_format gorse_format_rgb565_be;
extern const GORSE_ROM gorse_format gorse_format_rgb888;
extern const GORSE_ROM gorse_format gorse_format_argb8888;

/* gorse_panel.turn for panels of whole bytes a pixel, for page formats, and for packed rows. */
void gorse_turn_pixels(struct gorse_strip *strip, const GORSE_ROM gorse_panel *panel);
void gorse_turn_pages(struct gorse_strip *strip, const GORSE_ROM gorse_panel *panel);
void gorse_turn_bits(struct gorse_strip *strip, const GORSE_ROM gorse_panel *panel);

/* gorse_panel.paint */
void gorse_paint_rows(gorse *g, const gorse_rect *area);
void gorse_paint_squares(gorse *g, const gorse_rect *area);

#ifdef __cplusplus
}
#endif
#endif
