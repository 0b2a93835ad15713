/* SPDX-License-Identifier: MIT */
/* The display runtime's public face: begin, touch, variables, step. All coordinates are pixels of the
 * interface as the user sees it, before the panel is turned or mirrored. Call everything from one context:
 * nothing here may be called from an interrupt while another call runs (gorse_latch.h has what may). */
#ifndef GORSE_H
#define GORSE_H

#include <stddef.h>

#include "gorse_result.h"

#ifdef __cplusplus
extern "C" {
#endif

struct gorse_scene;

/* A value handed to a hook. Whole, decimal (scaled by its power of ten) and yes/no values are in `number`;
 * for a text, `text` points to a zero-terminated UTF-8 copy that lives until the hook returns, else it is 0. */
typedef struct gorse_value {
    int32_t number;
    const char *text;
} gorse_value;

/* What the runtime reports when somebody listens; `a` and `b` are explained beside each. */
enum {
    GORSE_TRACE_RULE = 1,    /* rule a ran its body (b = 0) or its otherwise part (b = 1) */
    GORSE_TRACE_SCREEN = 2,  /* screen a was entered */
    GORSE_TRACE_NUMBER = 3,  /* variable a now holds b */
    GORSE_TRACE_CLAMPED = 4, /* variable a was given a value outside its range and holds b, the nearest inside */
    GORSE_TRACE_HOOK = 5,    /* hook a was called with b values */
    GORSE_TRACE_DIVISION_BY_ZERO = 6, /* rule a divided by zero; the result was taken as 0 */
    GORSE_TRACE_ROUNDS = 7,           /* rules were still waiting after the last round of a step */
    GORSE_TRACE_EVENT = 8,            /* event a (GORSE_EVENT_...) happened on widget b of the current screen */
    GORSE_TRACE_TEXT = 9,             /* text variable a changed */
    GORSE_TRACE_FOLLOWED = 10,        /* the expression of slot a was computed and gave b */
    GORSE_TRACE_ELEMENT = 11          /* the array whose first element is variable a has no element b */
};

/* What the firmware supplies. `user` is handed back untouched. All run inside a call of gorse_step or, for hooks of
 * press, release and tap, inside gorse_touch; they may call the setters and getters, but not gorse_step or gorse_touch.
 */
typedef struct gorse_port {
    /* Sends w x h packed pixels to the panel's memory with the top left at x, y, all in the panel's own
     * orientation with its row and column offset added. For page formats y and h are multiples of 8
     * and rows below the panel are 0.
     * `bytes` holds `count` bytes, rows without gaps, each padded to a whole byte with zeros. It is the start of the
     * draw buffer, aligned as that is, and belongs to the runtime again when the call returns. */
    void (*flush)(void *user, uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, uint32_t count);
    /* Calls hook number `hook` with `count` values. May be 0 when no rule calls one. */
    void (*hook)(void *user, uint16_t hook, const gorse_value *values, uint8_t count);
    /* A rule gave a variable another value; text variables count on from the numbers. 0 when nobody wants to know. */
    void (*changed)(void *user, uint16_t variable);
    /* Listens to GORSE_TRACE_... where GORSE_TRACE is 1; 0 when nobody does. */
    void (*trace)(void *user, uint8_t what, uint16_t a, int32_t b);
    /* Reads n bytes of outside memory. It may read up to 15 bytes behind an image's last. May be 0 when no
     * image lives there. */
    void (*read)(void *user, uint32_t address, uint8_t *to, uint16_t n);
    void *user;
} gorse_port;

/* One running interface. Its fields belong to the runtime. All zeros until gorse_begin: then every call below does
 * nothing, and returns GORSE_RESULT_NOT_BEGUN, GORSE_FOREVER, 0 or "". */
typedef struct gorse {
    const GORSE_ROM struct gorse_scene *scene; /* 0: not begun */
    gorse_port port;
    uint8_t *state;
    uint8_t *buffer;
    uint32_t buffer_bytes;
} gorse;

/* Starts `scene` on its first screen. `state` and `buffer` are the caller's, aligned as words are on the target, and
 * must outlive `g`. The state needs gorse_state_bytes(scene) bytes; the draw buffer at least one line of pixels (one
 * page for page formats, a square of 1 or 8 pixels when the panel is turned by a quarter). Nothing is drawn before the
 * first gorse_step. When it fails, `g` is as before any gorse_begin. */
gorse_result gorse_begin(gorse *g, const GORSE_ROM struct gorse_scene *scene, const gorse_port *port, void *state,
                         uint32_t state_bytes, void *buffer, uint32_t buffer_bytes);

/* Bytes of state that `scene` needs: the same number on every target with the same options. */
uint32_t gorse_state_bytes(const GORSE_ROM struct gorse_scene *scene);

/* Advances to `now_ms` (any start, may wrap): timers, rules, screen changes, then draws what has changed.
 * Returns the ms until it has something to do again by itself: 0 if it is not done yet and wants to be called at once,
 * GORSE_FOREVER if only a touch, a setter, gorse_go or gorse_redraw will give it something to do.
 * A time up to 1 s before the latest one is no time: nothing advances until the latest is passed. From an earlier one
 * (the counter began anew) time goes on without a gap. */
uint32_t gorse_step(gorse *g, uint32_t now_ms);

/* A finger or pointer: down is 1 while it touches. A call with the same state is cheap. */
void gorse_touch(gorse *g, int16_t x, int16_t y, uint8_t down);

/* The panel's knob was turned by so many steps, to the right if they are positive; a key (GORSE_KEY_...) went down, 1,
 * or up, 0. The focus moves by them, and they press what it is on; then rules about them run. */
void gorse_knob(gorse *g, int8_t steps);
void gorse_key(gorse *g, uint8_t key, uint8_t down);

/* A hardware keyboard typed a character, Unicode or GORSE_TYPED_..., into the field that is open for it, if any. */
void gorse_type(gorse *g, uint32_t character);
/* 1 if a field is open for typing. */
uint8_t gorse_is_typing(const gorse *g);

/* Sets a whole, decimal, yes/no or choice variable. */
gorse_result gorse_set_number(gorse *g, uint16_t variable, int32_t value);
/* The value of a whole, decimal, yes/no or choice variable; 0 for an unknown one. */
int32_t gorse_number(const gorse *g, uint16_t variable);

/* Says that the firmware has news of a number variable, whether or not it is another value: readouts that show it and
 * can be stale are not. Called before its setter. */
void gorse_hear(gorse *g, uint16_t variable);

/* Sets an element of an array, `count` variables from number `first` on. GORSE_RESULT_UNKNOWN for one that it lacks. */
gorse_result gorse_set_element(gorse *g, uint16_t first, uint16_t count, uint32_t index, int32_t value);
/* The value of an element; 0 for one that the array lacks. */
int32_t gorse_element(const gorse *g, uint16_t first, uint16_t count, uint32_t index);

/* Sets a text variable from zero-terminated UTF-8, cut at a character's edge to its capacity. */
gorse_result gorse_set_text(gorse *g, uint16_t text_variable, const char *value);
/* The text of a text variable, valid until it changes; "" for an unknown one. */
const char *gorse_text_value(const gorse *g, uint16_t text_variable);

/* Changes to a screen at the next step, as a rule's `go` does; the last call counts. */
gorse_result gorse_go(gorse *g, uint16_t screen);
/* The screen that is shown. */
uint16_t gorse_screen_now(const gorse *g);

/* Sets the date and time of a scene with a clock, which runs on from the next step. GORSE_RESULT_UNKNOWN if there is no
 * such date or time from the year 2000 to 2099. */
gorse_result gorse_set_clock(gorse *g, uint16_t year, uint8_t month, uint8_t day, uint8_t hour, uint8_t minute,
                             uint8_t second);

/* Records the values of a trend as they are now, and shows them at the next step. `recorder` is one of the scene's. */
gorse_result gorse_sample(gorse *g, uint16_t recorder);

/* Sets a cell of a map of tiles: a frame of its image, from 1 on, or 0 for none. `keeper` is one of the scene's.
 * GORSE_RESULT_UNKNOWN for a cell that the map does not have. */
gorse_result gorse_set_cell(gorse *g, uint16_t keeper, uint8_t column, uint8_t row, uint8_t cell);

/* Marks the whole panel for drawing, for a panel that lost its memory. */
void gorse_redraw(gorse *g);

#ifdef __cplusplus
}
#endif
#endif
