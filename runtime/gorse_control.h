/* SPDX-License-Identifier: MIT */
/* What the kinds that a finger operates share. */
#ifndef GORSE_CONTROL_H
#define GORSE_CONTROL_H

#include "gorse_internal.h"
#include "gorse_wrapped.h"

#ifdef __cplusplus
extern "C" {
#endif

enum {
    GORSE_FINGER_FIRED = 1,   /* the press was a hold, or repeated: it gives no tap */
    GORSE_FINGER_WAITS = 2,   /* it may become a hold */
    GORSE_FINGER_REPEATS = 4, /* at `due` */
    GORSE_FINGER_SCROLLS = 8, /* it moves a container */
    GORSE_FINGER_FRESH = 16   /* its press has not been lost, so that it may come to move one */
};

/* The finger, or pointer, as scenes with controls remember it. */
typedef struct gorse_finger {
    uint32_t heard;             /* when there was input last, of any kind */
    uint32_t since;             /* when it came down */
    uint32_t due;               /* when the press repeats */
    int32_t value;              /* that the finger gives the control which it moves */
    int32_t at;                 /* where that is on the control's way; the kind says in what */
    int16_t x, y;               /* where it is on the panel */
    int16_t before_x, before_y; /* where it was before it moved there */
    int16_t from_x, from_y;     /* where it came down */
    uint16_t memory;            /* gorse_widget.memory of the control that it moves, or GORSE_NONE */
    uint16_t falls_back;        /* the variable that is 0 again when the press ends, or GORSE_NONE */
    uint8_t flags;              /* GORSE_FINGER_... */
    uint8_t over;               /* 1: it is on the target that it pressed, or was when it was lifted */
    uint8_t reserved[2];
} gorse_finger;

static inline gorse_finger *gorse_finger_of(const gorse *g) {
    return (gorse_finger *)(void *)gorse_behind_head(g, g->scene->controls->state_at);
}

/* Somebody is there. */
static inline void gorse_hear_input(gorse *g) {
    if (g->scene->controls != 0)
        gorse_finger_of(g)->heard = gorse_head_of(g)->now;
}

/* The kind of a widget with GORSE_KIND_CONTROL. */
static inline const GORSE_ROM gorse_control_kind *gorse_control_kind_of(const gorse_widget *widget) {
    const GORSE_ROM gorse_kind *kind = widget->kind;
    if ((kind->flags & GORSE_KIND_WRAPPED) != 0u)
        kind = gorse_wrapped_kind_of(widget)->of;
    return (const GORSE_ROM gorse_control_kind *)(const GORSE_ROM void *)kind;
}

/* A press on a widget of the shown screen that a finger at x, y, or a key makes, and its end; `inside` 1: on its
 * target, so that it is a tap. */
void gorse_begin_press(gorse *g, uint16_t widget, int16_t x, int16_t y);
void gorse_end_press(gorse *g, uint8_t inside);

/* Forgets the press, without a release: the control was hidden or disabled, or its screen is left. */
void gorse_lose_finger(gorse *g);
/* 1 if the pressed widget, which must be one, still takes a touch. */
uint8_t gorse_takes_touch(const gorse *g);

/* 1 if a rule is about that event of a widget of the shown screen. */
uint8_t gorse_has_rule(const gorse *g, uint8_t event, uint16_t widget);

/* Calls the touch of the pressed widget, if it is a control, then the rules of an event; `event` 0: none. */
void gorse_touch_control(gorse *g, uint8_t what, uint8_t event);

/* 1 if a release now ends a tap, as far as the control's own doing goes. */
static inline uint8_t gorse_is_tap(const gorse *g) {
    return (uint8_t)((gorse_finger_of(g)->flags & GORSE_FINGER_FIRED) == 0u && gorse_finger_of(g)->over != 0u);
}

/* Lets the press repeat from now on in so many ms; 0: it does not. */
void gorse_repeat_in(gorse *g, uint16_t ms);

/* Sets a variable as a control of the shown screen does: the firmware hears of it, and rules of the control's change
 * run. Nothing happens without a variable or with the same value. */
void gorse_set_by_control(gorse *g, uint16_t number, uint16_t variable, int32_t value);

/* The number of a control of the shown screen that has memory. */
uint16_t gorse_control_number(const gorse *g, const gorse_widget *widget);
/* 1 if the finger moves this widget. */
static inline uint8_t gorse_is_moved(const gorse *g, const gorse_widget *widget) {
    return (uint8_t)(gorse_finger_of(g)->memory == widget->memory);
}
/* The value of the control that is shown: that of the finger while it moves it, else its variable's. */
int32_t gorse_control_value(const gorse *g, const gorse_widget_indicator *control);
/* The finger moves a control from now on, which has the value that it has. */
void gorse_take_control(gorse *g, const gorse_widget_indicator *control);
/* Moves the control that it took to a value. */
void gorse_move_control(gorse *g, uint16_t number, const gorse_widget_indicator *control, int32_t value);
/* Lets go of a control. Its variable has the finger's value then, or what the firmware set. */
void gorse_let_go(gorse *g, uint16_t number, const gorse_widget_indicator *control);
/* For controls with a state of 4 bytes: the value that is shown. gorse_kind.command; and 1 if it is another one now,
 * which it becomes. */
void gorse_enter_control(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what);
uint8_t gorse_renew_control(gorse *g, const gorse_widget *widget, int32_t *before, int32_t *now);
/* Their value as it is drawn. */
int32_t gorse_drawn_value(const gorse *g, const gorse_widget *widget);
/* GORSE_STATE_ON never holds. */
uint8_t gorse_no_states(const gorse *g, gorse_record *record);

/* The value nearest to `value` that is a whole number of steps from the first of the limits and not beyond the second;
 * steps of 0 are 1. */
int32_t gorse_stepped(const GORSE_ROM int32_t *limits, int32_t step, int32_t value);
/* The value at a part of the way from the first limit to the second one: `at` of `length`, which may be outside. */
int32_t gorse_value_at(const GORSE_ROM int32_t *limits, int32_t at, uint16_t length);

/* Writes a number with so many decimals to `out`, GORSE_READOUT_BYTES of it. */
void gorse_write_decimal(int32_t value, uint8_t decimals, char *out);

#ifdef __cplusplus
}
#endif
#endif
