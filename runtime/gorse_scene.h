/* SPDX-License-Identifier: MIT */
/* The tables that describe an interface. The desktop builds them in memory, generated code writes them as
 * initialisers; nothing else describes an interface. All tables are constant and live in program memory. */
#ifndef GORSE_SCENE_H
#define GORSE_SCENE_H

#include "gorse_scene_kinds.h"

#ifdef __cplusplus
extern "C" {
#endif

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
    GORSE_FORMAT_LOW_BIT_FIRST = 1,   /* the leftmost pixel is in the lowest bit */
    GORSE_FORMAT_HIGH_BYTE_FIRST = 2, /* a word's high byte comes first */
    GORSE_FORMAT_MIXES = 4            /* mask and copy mix; without, a pixel is covered from half on */
};

/* Bits of gorse_panel.flags: what a panel's memory needs to show the picture the right way. */
enum { GORSE_PANEL_MIRROR_X = 1, GORSE_PANEL_MIRROR_Y = 2, GORSE_PANEL_INVERT = 4, GORSE_PANEL_SWAP_RED_BLUE = 8 };

struct gorse_strip;

typedef struct gorse_panel {
    const GORSE_ROM gorse_format *format;
    /* Cuts an area into strips: gorse_paint_rows, or gorse_paint_squares when the panel is turned by a quarter; those
     * of gorse_fade.h in scenes with widgets that let something through. */
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

/* The slot holds what byte code computes, again each time that `changed` is marked: the number of a variable (texts
 * count on from the numbers), or of a slot, counted on from the variables; GORSE_NONE if it depends on nothing. Those
 * of one slot lie together, behind those of slots that it depends on. */
typedef struct gorse_follow {
    uint16_t changed;
    uint16_t code;   /* its offset */
    uint16_t slot;   /* of the scene's */
    uint16_t screen; /* the slot's; GORSE_NONE: no property, but a value that an indicator looks at */
} gorse_follow;

/* Date and time as numbers, which lie together behind those of the project. Weekdays count from 1, Monday, on. */
enum {
    GORSE_CLOCK_SECOND = 0,
    GORSE_CLOCK_MINUTE = 1,
    GORSE_CLOCK_HOUR = 2,
    GORSE_CLOCK_DAY = 3,
    GORSE_CLOCK_MONTH = 4,
    GORSE_CLOCK_YEAR = 5, /* 2000 to 2099 */
    GORSE_CLOCK_WEEKDAY = 6,
    GORSE_CLOCK_NUMBERS = 7
};

/* A widget that keeps something in a part of the state of its own, whichever screen is shown: a trend its
 * gorse_recording, a map of tiles the cells that were set, a byte each, as the difference (exclusive or) to the map, a
 * readout that can be stale when its variable had news, 4 bytes. */
typedef struct gorse_keeper {
    const GORSE_ROM gorse_widget *of;
    uint32_t at; /* where that begins in the keepers' part of the state: a multiple of 4 */
    uint16_t screen, widget;
} gorse_keeper;

/* A number that a hook hands to the panel: with the first step, and when it has changed. 0 to 254. */
typedef struct gorse_output {
    uint16_t number, hook;
} gorse_output;

/* A part of a sound. */
typedef struct gorse_tone {
    uint16_t hertz; /* 0: silence */
    uint16_t ms;    /* 0: the sound has ended */
} gorse_tone;

/* What the panel has beside its picture. */
typedef struct gorse_outputs {
    const GORSE_ROM gorse_output *each;
    const GORSE_ROM gorse_tone *tones; /* those of each sound behind one another, closed by one of 0 ms */
    uint32_t sound_at;                 /* of the state: with tones a gorse_sound */
    uint32_t known_at; /* of the state: for each output a byte, 1 more than what its hook was called with, or 0 */
    uint16_t count;
    uint16_t sound_hook; /* called with a tone's hertz and ms; with 0 and 0 at the end of the sound */
} gorse_outputs;

typedef struct gorse_screen {
    gorse_colour background;                                /* opaque */
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
    GORSE_EVENT_DONE = 8,
    /* Of scenes with controls. */
    GORSE_EVENT_HOLD = 9,
    GORSE_EVENT_REPEAT = 10,
    GORSE_EVENT_CHANGE = 11,
    GORSE_EVENT_SWIPE_LEFT = 12,
    GORSE_EVENT_SWIPE_RIGHT = 13,
    GORSE_EVENT_SWIPE_UP = 14,
    GORSE_EVENT_SWIPE_DOWN = 15,
    GORSE_EVENT_FOCUS = 16,
    GORSE_EVENT_BLUR = 17,
    GORSE_EVENT_KEY = 18,  /* on any screen; its widget is the key */
    GORSE_EVENT_IDLE = 21, /* no input for its period, on any screen; then, when there is some again, its otherwise */
    GORSE_EVENT_OPEN = 22,
    GORSE_EVENT_CLOSE = 23,
    GORSE_EVENT_CANCEL = 24, /* what was typed was not taken over */
    GORSE_EVENT_SCROLL = 20, /* its content was moved by a finger */
    GORSE_EVENT_KNOB = 19    /* on any screen; its widget is 0 to the left, 1 to the right, GORSE_NONE for both */
};

/* What becomes of the runs of GORSE_EVENT_EVERY that a long step left out. */
enum {
    GORSE_MISSED_ALL = 0,  /* all are made up, GORSE_ROUNDS a step, but at most GORSE_CATCH_UP */
    GORSE_MISSED_ONCE = 1, /* one run replaces them */
    GORSE_MISSED_NONE = 2  /* none; the next one is in time */
};

typedef struct gorse_rule {
    uint32_t period;    /* ms, of GORSE_EVENT_EVERY and GORSE_EVENT_IDLE */
    uint16_t condition; /* offsets in the byte code, or GORSE_NONE */
    uint16_t body, otherwise;
    uint16_t screen, widget;
    uint16_t memory; /* which timer of GORSE_EVENT_EVERY, which byte of GORSE_EVENT_WHEN and GORSE_EVENT_IDLE */
    uint8_t event;
    uint8_t missed; /* GORSE_MISSED_..., of GORSE_EVENT_EVERY */
    uint8_t reserved[2];
} gorse_rule;

/* What widgets do by themselves; scenes without such kinds leave it out. Those among several may lack any but follow:
 * 0. */
typedef struct gorse_motion {
    void (*enter)(gorse *g);    /* the shown screen was entered */
    uint32_t (*tick)(gorse *g); /* at the beginning of each step */
    /* The same after the rules of the step, for what follows from them. Returns the ms until there is something to do.
     */
    uint32_t (*follow)(gorse *g);
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
    /* gorse_extended_code where byte code has operations that need more, ..._with_cells where it sets cells of maps,
     * ..._with_elements where it works on arrays, ..._with_both, else 0. */
    void (*extended)(gorse *g, struct gorse_machine *m, uint8_t op, uint16_t operand);
    /* gorse_extended_forms where texts show times, other texts, or yes and no, else 0. */
    void (*forms)(const gorse *g, struct gorse_writer *to, const GORSE_ROM uint8_t *inset, int32_t value);
    /* &gorse_motion_that_follows with properties that follow expressions, &gorse_motion_of_widgets where only kinds do
     * something by themselves, else 0; &gorse_motion_of_several where something else does, too. */
    const GORSE_ROM gorse_motion *motion;
    const GORSE_ROM gorse_follow *follows;
    uint16_t screen_count, number_count, text_count, rule_count;
    uint16_t slot_count, timer_count, when_count, string_count;
    uint16_t first_screen;
    uint16_t follow_count;
    uint8_t scratch_bytes; /* the longest text that is put together before it is used, its closing zero included */
    uint8_t rules_read;    /* 1: rules read what follows an expression, so they look at it when that changed */
    uint16_t hearer_count; /* readouts that can be stale */
    /* Where the parts of the state begin, in bytes behind its head; the numbers are at 0. */
    uint32_t slots_at, timers_at, changed_at, whens_at, scratch_at, texts_at, screen_at;
    uint32_t end; /* of the last part, a multiple of 4 */
    /* What gorse_motion_of_several does one after the other, closed by 0: with themes &gorse_motion_of_themes, with a
     * clock &gorse_motion_of_clock, with controls &gorse_motion_of_controls, then what would be the motion without all
     * these, where the focus reaches any &gorse_motion_of_focus, with recorders &gorse_motion_that_records, with
     * outputs &gorse_motion_of_outputs. */
    const GORSE_ROM gorse_motion *const GORSE_ROM *motions;
    const GORSE_ROM gorse_keeper
        *keepers; /* trends first, which are the recorders, then maps, then readouts that can be stale */
    uint32_t keepers_at;
    uint32_t clock_at; /* of the state: a gorse_clock_state */
    uint16_t recorder_count;
    uint16_t clock; /* with a clock: its first number */
    /* 1: nothing shows or uses its seconds, so that it needs a step only each minute. */
    uint8_t clock_by_minutes;
    uint8_t reserved_end;
    uint16_t map_count;
    const GORSE_ROM gorse_controls *controls;       /* 0: only buttons that do nothing by themselves */
    const GORSE_ROM gorse_outputs *outputs;         /* 0: none */
    const GORSE_ROM gorse_containers *containers;   /* 0: no widget holds others */
    const GORSE_ROM gorse_transitions *transitions; /* 0: all changes of screens are cuts */
    const GORSE_ROM gorse_glides *glides;           /* 0: no rule animates a property */
    const GORSE_ROM gorse_themes *themes;           /* 0: the colours are always the same */
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
    GORSE_OP_COMMAND,     /* u16 screen, u16 widget, u8 what: GORSE_COMMAND_PLAY and those behind it */
    GORSE_OP_SET_TEXT,    /* more: u16: pop a text into text variable */
    GORSE_OP_MARK_SLOT,   /* more: u16: what follows that property is computed anew */
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
    GORSE_OP_RIGHT,
    GORSE_OP_SET_CELL, /* u16 screen, u16 widget: pop a cell, its row and its column */
    GORSE_OP_ARRAY     /* u16 its first variable, u8 its elements less 1, u8 what: GORSE_ARRAY_... */
};

/* What is done with an array. */
enum {
    GORSE_ARRAY_ELEMENT = 0, /* pop an index, push the element; 0 for one that it lacks */
    GORSE_ARRAY_SET,         /* pop a value and an index; one that it lacks is left out */
    GORSE_ARRAY_FILL,        /* pop a value for all elements */
    GORSE_ARRAY_LESS,        /* pop a value, push how many elements are less */
    GORSE_ARRAY_EQUAL,
    GORSE_ARRAY_MORE,
    GORSE_ARRAY_SUM, /* push the sum of all elements */
    GORSE_ARRAY_MIN,
    GORSE_ARRAY_MAX
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

extern const GORSE_ROM gorse_motion gorse_motion_of_widgets;
extern const GORSE_ROM gorse_motion gorse_motion_that_follows;
extern const GORSE_ROM gorse_motion gorse_motion_of_clock;
extern const GORSE_ROM gorse_motion gorse_motion_of_several;
extern const GORSE_ROM gorse_motion gorse_motion_that_records;
extern const GORSE_ROM gorse_motion gorse_motion_of_controls;
extern const GORSE_ROM gorse_motion gorse_motion_of_scrolling;
extern const GORSE_ROM gorse_motion gorse_motion_of_transitions;
extern const GORSE_ROM gorse_motion gorse_motion_of_levels;
extern const GORSE_ROM gorse_motion gorse_motion_of_what_lies_below;
extern const GORSE_ROM gorse_motion gorse_motion_of_glides;
extern const GORSE_ROM gorse_motion gorse_motion_of_themes;
extern const GORSE_ROM gorse_motion gorse_motion_of_idleness;
extern const GORSE_ROM gorse_motion gorse_motion_of_focus;
extern const GORSE_ROM gorse_motion gorse_motion_of_outputs;

/* Of gorse_box.c, gorse_container_widgets.c, gorse_container_place.c and gorse_focus.c: a scene that needs one of these
 * files names it, so that a linker takes it and not the one in whose place it stands. */
extern const GORSE_ROM uint8_t gorse_rounds_boxes;
extern const GORSE_ROM uint8_t gorse_draws_held;
extern const GORSE_ROM uint8_t gorse_places_held;
extern const GORSE_ROM uint8_t gorse_hears_keys;

void gorse_extended_code(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand);
/* The same with cells of maps, with arrays, and with both. */
void gorse_extended_code_with_cells(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand);
void gorse_extended_code_with_elements(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand);
void gorse_extended_code_with_both(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand);
void gorse_extended_forms(const gorse *g, struct gorse_writer *to, const GORSE_ROM uint8_t *inset, int32_t value);

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
