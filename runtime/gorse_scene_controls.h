/* SPDX-License-Identifier: MIT */
/* The records of the kinds of widgets that a finger operates. */
#ifndef GORSE_SCENE_CONTROLS_H
#define GORSE_SCENE_CONTROLS_H

#include "gorse_scene_indicators.h"

#ifdef __cplusplus
extern "C" {
#endif

union gorse_record;
struct gorse_view;

/* What a finger does to a control that it pressed. */
enum {
    GORSE_TOUCH_PRESS = 0,
    GORSE_TOUCH_MOVE = 1,
    GORSE_TOUCH_REPEAT = 2, /* it has stayed for as long as the control asked */
    GORSE_TOUCH_RELEASE = 3
};

/* What a kind with GORSE_KIND_CONTROL is. */
typedef struct gorse_control_kind {
    gorse_kind kind;
    /* Returns the states, beside pressed, focused and disabled, that the record is in, and changes it to what shows in
     * these. */
    uint8_t (*states)(const gorse *g, union gorse_record *record);
    /* What a touch does to widget `number` of the shown screen. */
    void (*touch)(gorse *g, uint16_t number, const struct gorse_view *view, uint8_t what);
} gorse_control_kind;

/* What a control does when it is touched. */
enum {
    GORSE_ACTS_MOMENTARY = 0, /* its variable is 1 while it is pressed, then 0 */
    GORSE_ACTS_LATCHING = 1,  /* each tap turns 0 into 1 and the other way round */
    GORSE_ACTS_CHOICE = 2     /* a tap sets the variable to its choice */
};

/* What a button does, in a table of 16-bit numbers. */
enum {
    GORSE_BUTTON_ACTS = 0,         /* GORSE_ACTS_... */
    GORSE_BUTTON_CHOICE = 1,       /* the value that a tap sets */
    GORSE_BUTTON_MAY_CLEAR = 2,    /* 1: a tap on the one that is chosen sets 0 */
    GORSE_BUTTON_REPEAT_AFTER = 3, /* ms, up to 65535; 0: it does not repeat */
    GORSE_BUTTON_REPEAT_EVERY = 4, /* ms */
    GORSE_BUTTON_TEXT_ON = 5,      /* the scene's string that it says while it is on; GORSE_NONE: the same as else */
    GORSE_BUTTON_COLOUR_HIGH = 6,  /* of the bar at its edge while it is on: alpha and red; all 0: no bar */
    GORSE_BUTTON_COLOUR_LOW = 7,
    GORSE_BUTTON_NUMBERS = 8
};

/* A button that sets a variable, looks different while that has its value, or repeats. Its memory holds, behind its
 * text, whether it is on: 1 byte. */
typedef struct gorse_widget_acting_button {
    gorse_widget_button button;
    const GORSE_ROM gorse_image *image_on; /* instead of its image while it is on; 0: the same */
    const GORSE_ROM int16_t *form;         /* GORSE_BUTTON_... */
} gorse_widget_acting_button;

/* Its limits: 0, 1, the colour of what is on or 0 for that of the look's text. Its memory holds a gorse_switch_state.
 */
typedef struct gorse_widget_switch {
    gorse_widget_indicator shown;
    const GORSE_ROM uint8_t *words; /* what it says off, and on: each ends with 0 and may be empty */
    uint16_t slide;                 /* ms that the grip takes from one end to the other */
    uint8_t reserved[2];
} gorse_widget_switch;

typedef struct gorse_switch_state {
    uint32_t since; /* when the grip left `from` */
    uint8_t is_on;
    uint8_t at, from; /* where the grip is, 0 to 255 from the off end to the on end */
    uint8_t reserved;
} gorse_switch_state;

enum { GORSE_CHECK_SQUARE = 0, GORSE_CHECK_ROUND = 1 };

/* A box that is marked while its variable has its choice, and a text beside it. Its memory holds, behind its text,
 * whether it is marked: 1 byte. */
typedef struct gorse_widget_checkbox {
    gorse_widget_text label;
    gorse_colour on_colour; /* of the mark; 0: that of the look's text */
    uint16_t variable;
    int16_t choice; /* of GORSE_ACTS_CHOICE */
    uint8_t acts;   /* GORSE_ACTS_LATCHING or GORSE_ACTS_CHOICE */
    uint8_t shape;  /* GORSE_CHECK_... */
    uint8_t reserved[2];
} gorse_widget_checkbox;

enum { GORSE_SLIDER_STEP = 2, GORSE_SLIDER_FILL_FROM = 3, GORSE_SLIDER_GRIP_COLOUR = 4, GORSE_SLIDER_DECIMALS = 5 };
enum { GORSE_MOVES_TO_FINGER = 0, GORSE_MOVES_BY_FINGER = 1 };

/* Its limits: min, max, step, the value from which the track is filled, the colour of the grip, the decimals of the
 * value that is shown beside the finger. Its memory holds the value that it shows, 4 bytes. */
typedef struct gorse_widget_slider {
    gorse_widget_indicator shown;
    const GORSE_ROM gorse_image *grip_image; /* 0: the grip is drawn */
    uint8_t direction;                       /* GORSE_DIRECTION_...: towards max */
    uint8_t track, grip;                     /* pixels: how thick the track is, how long the grip is along it */
    uint8_t moves;                           /* GORSE_MOVES_... */
    uint8_t ticks;                           /* parts between ticks beside the track; 0: none */
    uint8_t shows_value;                     /* 1: beside the finger */
    uint8_t reserved[2];
} gorse_widget_slider;

enum { GORSE_TURNS_TO_FINGER = 0, GORSE_TURNS_BY_WAY = 1 };

/* Its limits are those of a slider. Its memory holds the value that it shows, 4 bytes. */
typedef struct gorse_widget_knob {
    gorse_widget_indicator shown;
    uint16_t from_angle, to_angle; /* as of rings */
    uint8_t thickness, grip;       /* pixels: of the ring, and how wide the stroke across it is */
    uint8_t turns;                 /* GORSE_TURNS_... */
    uint8_t shows_value;           /* 1: in the middle */
} gorse_widget_knob;

enum { GORSE_STEPPER_STEP = 2, GORSE_STEPPER_DECIMALS = 3 };

/* Its limits: min, max, step, the decimals of the value. Its memory holds the value that it shows, 4 bytes. */
typedef struct gorse_widget_stepper {
    gorse_widget_indicator shown;
    uint16_t repeat_after, repeat_every; /* ms; 0: it does not repeat */
} gorse_widget_stepper;

/* Writes the text of an item, from 0 on: UTF-8 that ends with 0, at most `size` bytes with it. */
typedef void gorse_item_function(uint16_t index, char *text, uint8_t size);

/* Bytes of an item's text, its closing zero included. */
#define GORSE_ITEM_BYTES 64

/* What a list has in a table. */
enum {
    GORSE_LIST_ON_COLOUR = 0, /* of the bar at the edge of the chosen item */
    GORSE_LIST_FIRST = 1,     /* the variable's value for the first item */
    GORSE_LIST_COUNT = 2      /* of items that are asked for: the number of a variable */
};

/* A list of items, one of which may be chosen. Its memory holds a gorse_list_state behind its text. */
typedef struct gorse_widget_list {
    gorse_widget_text label;                /* its items, a line each */
    gorse_item_function *ask;               /* for their texts; 0: the lines of its text are its items */
    const GORSE_ROM gorse_animation *image; /* beside them: for each a frame, the last for all behind it; 0: none */
    const GORSE_ROM int32_t *form;          /* GORSE_LIST_... */
    int32_t pan;                            /* pixels that it is moved up */
    uint16_t variable;                      /* the chosen one; or GORSE_NONE */
    uint8_t item_height;                    /* pixels, at least 1 */
    uint8_t snap;                           /* 1: it comes to stand where an item begins */
} gorse_widget_list;

typedef struct gorse_list_state {
    uint16_t chosen; /* that is drawn so, or GORSE_NONE */
    uint16_t count;  /* of its items */
} gorse_list_state;

/* What a key does, or the character that it types. A hardware keyboard says the same to gorse_type. */
enum {
    GORSE_TYPED_DELETE = 8,    /* the character in front of the cursor */
    GORSE_TYPED_NEW_LINE = 10, /* in fields of several lines; else as GORSE_TYPED_DONE */
    GORSE_TYPED_DONE = 13,
    GORSE_TYPED_SHIFT = 14,  /* from here on keys of a keyboard only */
    GORSE_TYPED_PAGE = 15,   /* its next page */
    GORSE_TYPED_GAP = 16,    /* no key */
    GORSE_TYPED_CANCEL = 27, /* not, and these: */
    GORSE_TYPED_LEFT = 28,   /* moves the cursor */
    GORSE_TYPED_RIGHT = 29
};

/* Bits of gorse_widget_field.flags */
enum {
    GORSE_FIELD_SECRET = 1,
    GORSE_FIELD_LIVE = 2,   /* its variable has each character at once */
    GORSE_FIELD_LETTERS = 4 /* it takes letters, spaces and what stands in names */
};

/* A text that is typed. What it says while it is empty is its label's text. Its memory holds 1 byte. */
typedef struct gorse_widget_field {
    gorse_widget_text label;
    const GORSE_ROM uint8_t *allowed; /* the characters that it takes; 0: all */
    gorse_colour on_colour;           /* of its cursor, and its border while it is typed into */
    uint16_t variable;                /* of the text variables; or GORSE_NONE */
    uint16_t keyboard;                /* the widget of its screen that comes by itself; or GORSE_NONE */
    uint8_t max_length;               /* characters */
    uint8_t lines;                    /* 1: it is not broken into lines */
    uint8_t flags;                    /* GORSE_FIELD_... */
    uint8_t reserved;
} gorse_widget_field;

/* Between the keys of a gorse_widget_keyboard, in the place of a width. */
enum { GORSE_KEYS_ROW_ENDS = 64, GORSE_KEYS_PAGE_ENDS = 65, GORSE_KEYS_END = 66 };

/* Keys that type into the field. A key is its width in halves of a usual one, then the code of GORSE_TYPED_... or the
 * character that it types and those that it offers when it is held, as UTF-8; a 0 ends it. Each row ends with
 * GORSE_KEYS_ROW_ENDS, the last of a page with GORSE_KEYS_PAGE_ENDS behind that, all with GORSE_KEYS_END. Its memory
 * holds 1 byte. */
typedef struct gorse_widget_keyboard {
    gorse_widget widget;
    const GORSE_ROM uint8_t *keys;
    const GORSE_ROM uint8_t *words; /* on the keys done and cancel; each ends with 0 */
    const GORSE_ROM int32_t *form;  /* the colour of the key done, and of what is pressed */
    uint16_t slide;                 /* ms that it takes to come or go */
    uint8_t turns;                  /* 1: all keys of a page are in one row, which turns */
    uint8_t reserved;
} gorse_widget_keyboard;

/* A touch target that reaches beyond its box. */
typedef struct gorse_margin {
    uint16_t screen, widget;
    uint8_t pixels;
    uint8_t reserved;
} gorse_margin;

/* What input needs beside presses. */
typedef struct gorse_controls {
    const GORSE_ROM gorse_margin *margins;
    /* With a knob or keys: the widgets that the focus reaches, screen after screen, in order; and where those of each
     * screen begin in it, with the end behind them. 0 if it reaches none. */
    const GORSE_ROM uint16_t *focus_order;
    const GORSE_ROM uint16_t *focus_starts;
    uint32_t state_at;  /* of the state, behind its head: a gorse_finger */
    uint32_t focus_at;  /* of the state: a gorse_focus */
    uint32_t typing_at; /* of the state: with fields a gorse_typing */
    uint16_t margin_count;
    uint16_t hold;        /* ms after which a press is a hold */
    uint8_t focus_wraps;  /* 1: from the last to the first */
    uint8_t has_focus;    /* 1: it reaches any */
    uint8_t typing_bytes; /* of the longest text that fields take, its closing zero included; 0: no fields */
    uint8_t reserved;
} gorse_controls;

/* Keys of the panel; its own ones follow. */
enum {
    GORSE_KEY_UP = 0,
    GORSE_KEY_DOWN = 1,
    GORSE_KEY_LEFT = 2,
    GORSE_KEY_RIGHT = 3,
    GORSE_KEY_ENTER = 4,
    GORSE_KEY_BACK = 5,
    GORSE_KEY_PUSH = 6, /* the knob's */
    GORSE_KEY_OWN = 7
};

#ifdef __cplusplus
}
#endif
#endif
