/* SPDX-License-Identifier: MIT */
/* What is typed into a field, and the keyboard that comes for it. gorse_typing_none.c takes the place of gorse_typing.c
 * in scenes without fields and keyboards. */
#ifndef GORSE_TYPING_H
#define GORSE_TYPING_H

#include "gorse_control.h"
#include "gorse_text.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { GORSE_SHIFT_OFF = 0, GORSE_SHIFT_ONCE = 1, GORSE_SHIFT_LOCKED = 2 };
/* A key of a keyboard that is none. */
#define GORSE_NO_KEY 255u

/* The one field that is typed into, in the state. Behind it is what was typed, as UTF-8 that ends with 0:
 * gorse_controls.typing_bytes. */
typedef struct gorse_typing {
    uint32_t since;       /* when the keyboard began to slide */
    uint32_t typed;       /* when the latest character came, which a secret shows for a moment */
    uint16_t screen;      /* that all this is about */
    uint16_t field;       /* GORSE_NONE: nothing is typed */
    uint16_t keyboard;    /* that is up, comes or goes; or GORSE_NONE */
    int16_t out, from;    /* how far it is below its place, and was when it began to slide; px */
    int16_t lift, lifted; /* how far the rest of the screen is moved up, and was then */
    int16_t rise;         /* how far it will be */
    int16_t shift;        /* pixels by which the text is moved to the left, or up, in its field */
    uint8_t up;           /* 1: the keyboard comes, or is there */
    uint8_t by_itself;    /* 1: it came for the field */
    uint8_t slides;
    uint8_t cursor, length; /* bytes */
    uint8_t shows;          /* 1: a secret shows its latest character */
    uint8_t page;           /* of the keyboard's keys */
    uint8_t capitals;       /* GORSE_SHIFT_... */
    uint8_t key;            /* that the knob is on */
    uint8_t pressed;        /* that the finger is on; or GORSE_NO_KEY */
    uint8_t offers;         /* letters with accents that are offered over the pressed key; 0: none are */
    uint8_t choice;         /* the one of these that the finger is on */
    uint8_t begun;          /* 0: nothing above is set yet */
    uint8_t reserved[3];
} gorse_typing;

static inline gorse_typing *gorse_typing_of(const gorse *g) {
    return (gorse_typing *)(void *)gorse_behind_head(g, g->scene->controls->typing_at);
}
/* What was typed. */
static inline char *gorse_typed_text(const gorse *g) { return (char *)(gorse_typing_of(g) + 1); }
/* 1 if the keyboard, or what is typed, belongs to the shown screen. */
static inline uint8_t gorse_types_here(const gorse *g) {
    return (uint8_t)(gorse_typing_of(g)->begun != 0u && gorse_typing_of(g)->screen == gorse_head_of(g)->screen);
}
/* 1 if this field of the shown screen is typed into. */
static inline uint8_t gorse_is_typed_into(const gorse *g, uint16_t number) {
    return (uint8_t)(gorse_types_here(g) != 0u && gorse_typing_of(g)->field == number);
}

/* Pixels by which the shown screen is moved up, so that the field is above the keyboard. */
int16_t gorse_lift(const gorse *g);
/* Moves the record of a widget of the shown screen accordingly; keyboards to where they are, or out of sight. */
void gorse_place_lifted(const gorse *g, uint16_t number, gorse_widget *widget);
/* A press of `pressed`, or of nothing, ends as a tap: if that is beside the field and its keyboard, what was typed is
 * taken over. */
void gorse_leave_typing(gorse *g, uint16_t pressed);
/* 1 if a widget of the shown screen has its focus when it is typed into, not when the knob is on it. */
uint8_t gorse_is_entered(const gorse *g, uint16_t number);
/* What the knob and the keys do while something is typed. Return 0 if they do what they do else. */
uint8_t gorse_turn_typing(gorse *g, int8_t steps);
uint8_t gorse_key_typing(gorse *g, uint8_t key);

/* The rest is of scenes with fields. */

/* Nothing is typed, and no keyboard is up: their screen is entered. */
void gorse_reset_typing(gorse *g);
/* Begins to type into a field, or moves its cursor, in front of the byte `cursor` of its text. */
void gorse_begin_typing(gorse *g, uint16_t field, uint8_t cursor);
/* Ends it. 1: the field's variable takes over what was typed; 0: it does not. */
void gorse_end_typing(gorse *g, uint8_t takes_over);
/* Brings a keyboard of the shown screen up, or puts the one that is up down. */
void gorse_raise_keyboard(gorse *g, uint16_t keyboard);
void gorse_lower_keyboard(gorse *g);
/* Moves a keyboard on that slides. */
void gorse_slide_keyboard(gorse *g, uint16_t number);
/* Marks the keyboard where it is and will be. */
void gorse_dirty_keyboard(gorse *g);

/* Of gorse_typed_text.c. The field's variable becomes what was typed. */
void gorse_take_over(gorse *g, const gorse_widget_field *field);
/* What is typed looks different now. */
void gorse_show_typed(gorse *g);

/* Of gorse_kind_field.c. The field as rules made it. */
void gorse_read_field(const gorse *g, uint16_t number, gorse_widget_field *out);
/* 1 if the widget is a field, or a keyboard. */
uint8_t gorse_is_field(const gorse_widget *widget);
uint8_t gorse_is_keyboard(const gorse_widget *widget);
/* Moves the text in the field so that its cursor is in sight. */
void gorse_show_cursor(gorse *g);

/* Of gorse_kind_keyboard.c. What the knob does on the keyboard: moves on by so many keys, or by rows; presses the key
 * that it is on. */
void gorse_step_key(gorse *g, int8_t steps);
void gorse_step_row(gorse *g, int8_t way);
void gorse_press_key(gorse *g);

/* Writes a character as UTF-8, without a closing zero; returns its bytes, at most 4. */
uint8_t gorse_put_character(uint32_t character, char *out);
/* The capital of a letter; other characters as they are. */
uint32_t gorse_capital(uint32_t character);

#ifdef __cplusplus
}
#endif
#endif
