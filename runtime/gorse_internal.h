/* SPDX-License-Identifier: MIT */
/* What the runtime's files share among themselves. */
#ifndef GORSE_INTERNAL_H
#define GORSE_INTERNAL_H

#include <string.h>

#include "gorse_draw.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A rectangle in the state. */
typedef struct gorse_area {
    int16_t x0, y0, x1, y1;
} gorse_area;

/* gorse_head.wanted: the latest screen of the history. */
#define GORSE_BACK 0xfffeu

/* The head of the state. Behind it numbers (int32), slots (int32), timers (uint32: when each is due), a bit for each
 * changed variable, a byte for each `when` (what its condition was), room for one text, the text variables, the shown
 * screen's texts; where each begins the scene says. */
typedef struct gorse_head {
    uint32_t now;   /* ms that have passed, from the first step's time on */
    uint32_t clock; /* the latest time that the firmware gave */
    uint16_t screen;
    uint16_t wanted;  /* screen to change to when the rule ends, the last requested; GORSE_BACK or GORSE_NONE */
    uint16_t pressed; /* widget that took the press, or GORSE_NONE */
    uint8_t down, inside;
    uint8_t started, anything_changed;
    uint8_t back_count, dirty_count;
    uint16_t history[GORSE_HISTORY + GORSE_HISTORY % 2];
    gorse_area dirty[GORSE_DIRTY + 1]; /* one more than is kept, while it is joined */
} gorse_head;

static inline gorse_head *gorse_head_of(const gorse *g) { return (gorse_head *)(void *)g->state; }

/* The parts behind the head. */
static inline uint8_t *gorse_behind_head(const gorse *g, uint32_t at) { return g->state + sizeof(gorse_head) + at; }
static inline int32_t *gorse_numbers(const gorse *g) { return (int32_t *)(void *)gorse_behind_head(g, 0); }
static inline int32_t *gorse_slots(const gorse *g) {
    return (int32_t *)(void *)gorse_behind_head(g, g->scene->slots_at);
}
static inline uint32_t *gorse_timers(const gorse *g) {
    return (uint32_t *)(void *)gorse_behind_head(g, g->scene->timers_at);
}
static inline uint8_t *gorse_changed_bits(const gorse *g) { return gorse_behind_head(g, g->scene->changed_at); }
static inline uint8_t *gorse_when_bytes(const gorse *g) { return gorse_behind_head(g, g->scene->whens_at); }
/* Room for one text of the scene's scratch_bytes, while it is compared, copied or given to a hook. */
static inline char *gorse_scratch(const gorse *g) { return (char *)gorse_behind_head(g, g->scene->scratch_at); }
static inline char *gorse_texts(const gorse *g) { return (char *)(void *)gorse_behind_head(g, g->scene->texts_at); }
static inline char *gorse_screen_memory(const gorse *g) {
    return (char *)(void *)gorse_behind_head(g, g->scene->screen_at);
}

/* What a widget's kind remembers: behind its text. Without alignment. */
static inline char *gorse_widget_state(const gorse *g, const gorse_widget *widget) {
    return gorse_screen_memory(g) + widget->memory + widget->capacity;
}

/* The value that an indicator shows, which may be out of its range. */
int32_t gorse_shown_value(const gorse *g, const gorse_widget_indicator *indicator);
/* The value of a variable, or of a slot of a screen, as gorse_widget_indicator.variable says. */
int32_t gorse_value_from(const gorse *g, uint16_t from, const GORSE_ROM gorse_screen *screen);
/* Where a value is between the indicator's min, 0, and its max, `length`; clamped. */
uint16_t gorse_scaled_value(const gorse_widget_indicator *indicator, int32_t value, uint16_t length);
/* The same between the first two of some limits. */
uint16_t gorse_scaled(const GORSE_ROM int32_t *limits, int32_t value, uint16_t length);

/* The number of the first of some zones (GORSE_ZONE_...) that a value is in; `count` if it is in none. */
uint8_t gorse_zone_of(const GORSE_ROM int32_t *zones, uint8_t count, int32_t value);

/* A part of an indicator's length, in steps. */
typedef struct gorse_reach {
    uint16_t from, end;
} gorse_reach;
/* For indicators with a state of 2 bytes, where the value ends. Sets it when the screen is entered; with another
 * command nothing. */
void gorse_enter_reach(gorse *g, const gorse_widget_indicator *indicator, uint8_t command, uint16_t steps);
/* Sets it to the value of now. 1 if it moved: `moved` is what lies between. */
uint8_t gorse_move_reach(gorse *g, const gorse_widget_indicator *indicator, uint16_t steps, gorse_reach *moved);
/* What is shown: from the value of the indicator's third limit, or to there. */
gorse_reach gorse_shown_reach(const gorse *g, const gorse_widget_indicator *indicator, uint16_t steps);

/* What kinds that show frames do, as gorse_kind says. */
void gorse_frames_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what);
uint8_t gorse_frames_tick(gorse *g, const gorse_widget *widget, const gorse_look *look);
uint32_t gorse_frames_wait(const gorse *g, const gorse_widget *widget);
void gorse_draw_frames(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);
void gorse_draw_mirrored_frames(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);
/* The same for those that show the value of a variable. */
void gorse_following_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what);
uint8_t gorse_following_tick(gorse *g, const gorse_widget *widget, const gorse_look *look);
uint32_t gorse_following_wait(const gorse *g, const gorse_widget *widget);
/* The first and the last of the frames that are shown, from 0 on. What is beyond the image's frames is its last one.
 * The image must be there. */
typedef struct gorse_frames_part {
    uint16_t first, last;
} gorse_frames_part;
gorse_frames_part gorse_part_of_frames(const gorse_widget_frames *f);
/* The frame that is drawn; 0 if there is none. */
const GORSE_ROM gorse_image *gorse_shown_frame(const gorse *g, const gorse_widget *widget);

/* The largest of the steps in which samples are stored; the smallest is 0. */
#define GORSE_SAMPLE_MAX 0xffffu
/* What a keeper has in the state. */
static inline void *gorse_kept_by(const gorse *g, const GORSE_ROM gorse_keeper *keeper) {
    return gorse_behind_head(g, g->scene->keepers_at + keeper->at);
}
/* What a recorder, the keeper of a trend, remembers. Behind it are its samples, 2 bytes each: those of the first value,
 * of the second. The oldest is replaced. */
typedef struct gorse_recording {
    uint32_t since;     /* when the latest was due */
    uint16_t next;      /* where the next one goes */
    uint16_t count;     /* how many there are */
    uint16_t low, high; /* the smallest and the largest, where the range is fitted, else the ends of the range */
} gorse_recording;
static inline gorse_recording *gorse_recording_of(const gorse *g, const GORSE_ROM gorse_keeper *recorder) {
    return (gorse_recording *)gorse_kept_by(g, recorder);
}
static inline const GORSE_ROM gorse_widget_trend *gorse_trend_of(const GORSE_ROM gorse_keeper *recorder) {
    return (const GORSE_ROM gorse_widget_trend *)(const GORSE_ROM void *)recorder->of;
}
/* The cells of a map that were set, as gorse_keeper says; 0 where nothing sets them. */
const uint8_t *gorse_map_changes(const gorse *g, const gorse_widget_tiles *tiles);
/* Where a cell is drawn, pixels of the panel, which may be outside its box. The map must have an image. */
void gorse_place_cell(const gorse_widget_tiles *tiles, const gorse_look *look, uint8_t column, uint8_t row,
                      gorse_rect *out);
static inline uint16_t *gorse_samples_of(gorse_recording *recording) { return (uint16_t *)(void *)(recording + 1); }
/* ms between samples, or 0. */
static inline uint32_t gorse_sample_interval(const GORSE_ROM gorse_widget_trend *trend) {
    return (uint32_t)trend->shown.limits[(uint16_t)trend->values * GORSE_COURSE_NUMBERS];
}
/* What a clock remembers beside its numbers. */
typedef struct gorse_clock_state {
    uint32_t since;   /* when the present second began */
    uint32_t was_set; /* 1: it begins with the next step */
} gorse_clock_state;

/* The sound that plays. Its tones are numbered from 1 on; 0: none. */
typedef struct gorse_sound {
    uint32_t since;   /* when the present tone began */
    uint16_t playing; /* that tone */
    uint16_t asked;   /* the first tone of the sound that a rule has asked for since the last step */
} gorse_sound;

/* How many samples behind the newest are not shown while new ones replace them in their place. */
uint16_t gorse_sweep_gap(const gorse_widget_trend *trend);
/* Marks what a new sample changes in a trend of the shown screen, after it was recorded. */
void gorse_dirty_sample(gorse *g, const gorse_widget_trend *trend, const gorse_look *look,
                        const gorse_recording *recording);
/* gorse_kind.wait of indicators that only a variable can give something to do. */
uint32_t gorse_wait_for_value(const gorse *g, const gorse_widget *widget);

/* The screen that is shown. */
static inline const GORSE_ROM gorse_screen *gorse_shown(const gorse *g) {
    return &g->scene->screens[gorse_head_of(g)->screen];
}

/* A widget of the shown screen as it is now, and its look in its present state: the tables' own where nothing can
 * change them, else copies with what rules changed laid over. */
typedef struct gorse_view {
    const gorse_widget *widget;
    const gorse_look *look;
    gorse_record record;
    gorse_look changed;
} gorse_view;
void gorse_see(const gorse *g, uint16_t widget, gorse_view *view);
/* The widget as its kind knows it. */
static inline const gorse_widget_text *gorse_text_widget_of(const gorse_widget *widget) {
    return (const gorse_widget_text *)(const void *)widget;
}

/* The nearest coordinate not after `at` where what is sent may begin: a multiple of `unit`, a power of two, and
 * `phase`. */
gorse_coord gorse_round_down(gorse_coord at, uint8_t unit, uint8_t phase);
/* What is marked at an index of the list. */
void gorse_dirty_area(const gorse_head *head, uint_fast8_t number, gorse_rect *area);
/* Marks an area for drawing. */
void gorse_dirty(gorse *g, const gorse_rect *area);
/* The box of a widget of the shown screen, if it is visible. */
void gorse_dirty_widget(gorse *g, const gorse_widget *widget);
/* The same of widget `number`, and of what it holds. */
void gorse_dirty_number(gorse *g, uint16_t number);
/* Draws the shown screen, its background and its widgets, the lowest first, into an area of the canvas's strip, which
 * its clip holds. */
void gorse_draw_screen(gorse_canvas *c, const gorse_rect *area, const GORSE_ROM gorse_screen *screen);
/* Draws and flushes all that is marked. */
void gorse_paint(gorse *g);
/* Draws and flushes one strip; `stride` bytes from a row or page to the next. */
void gorse_paint_strip(gorse *g, const gorse_rect *area, uint32_t stride);
/* Bytes of `columns` pixels of one row, or of one page. */
uint32_t gorse_row_bytes(const GORSE_ROM gorse_format *format, uint16_t columns);

/* A text while it is written. */
typedef struct gorse_writer {
    char *out;
    uint8_t at, room; /* room: bytes that may be written before the closing zero; 0 once something was cut */
} gorse_writer;
void gorse_put(gorse_writer *to, uint8_t byte);
void gorse_put_text(gorse_writer *to, gorse_text_source text);
/* A number of at least `least` digits before the point and `decimals` behind it, of which the last `zeros` are not in
 * `size`; its sign unless it is 0. */
void gorse_put_digits(gorse_writer *to, uint32_t size, uint8_t min, uint8_t decimals, uint8_t zeros, uint8_t negative);
uint32_t gorse_power_of_ten(uint8_t exponent);

/* Writes a template's text; cut at a character's edge to `capacity` with the closing zero. */
void gorse_expand(gorse *g, const GORSE_ROM uint8_t *text, char *out, uint8_t capacity);
/* Expands all texts of the shown screen that have a buffer. */
void gorse_expand_screen(gorse *g);
/* What gorse_motion_of_widgets does. A command does nothing if the widget's screen is not shown. */
void gorse_widgets_enter(gorse *g);
uint32_t gorse_widgets_tick(gorse *g);
void gorse_widgets_command(gorse *g, uint16_t screen, uint16_t widget, uint8_t what);
/* What moves by itself at the beginning of a step. */
static inline void gorse_tick_widgets(gorse *g) {
    if (g->scene->motion != 0)
        (void)g->scene->motion->tick(g);
}
/* What follows from the rules of a step. Returns the ms until widgets have something to do again. */
static inline uint32_t gorse_follow_rules(gorse *g) {
    return g->scene->motion != 0 ? g->scene->motion->follow(g) : GORSE_FOREVER;
}
/* Computes all expressions that properties follow. The scene must have some. */
void gorse_follow_all(gorse *g);
/* Expands the texts that show changed variables and marks what looks different; forgets the changes. */
void gorse_refresh_texts(gorse *g);
/* Expands the text of a widget of the shown screen anew and marks what looks different. */
void gorse_refresh_text(gorse *g, uint16_t widget);

void gorse_set_slot(gorse *g, uint16_t slot, uint16_t screen, int32_t value);
void gorse_mark_changed(gorse *g, uint16_t variable);
/* Marks a property, so that the expressions that read it are computed in this step. The scene must have expressions. */
static inline void gorse_mark_slot(gorse *g, uint16_t slot) {
    gorse_mark_changed(g, (uint16_t)(g->scene->number_count + g->scene->text_count + slot));
}
/* A text as a value: 1 if it is one of the scene's strings, which may hold insets, else a text variable. */
static inline uint8_t gorse_is_string(int32_t value) {
    return (uint8_t)(((uint32_t)value & GORSE_TEXT_IS_VARIABLE) == 0u);
}
/* The scene's string of that number; 0 if there is none. */
const GORSE_ROM uint8_t *gorse_string(const gorse *g, int32_t number);
/* A text as it is, insets unexpanded. */
gorse_text_source gorse_text_by_value(const gorse *g, int32_t value);
/* Writes it to gorse_scratch as it shows, insets filled in, cut at a character's edge if it has no room; returns that.
 */
const char *gorse_copy_text(gorse *g, int32_t value);

/* The same bits as a number with a sign. */
static inline int32_t gorse_wrapped(uint32_t bits) {
    int32_t value;
    memcpy(&value, &bits, 4);
    return value;
}
void gorse_push(gorse_machine *m, int32_t value);
int32_t gorse_pop(gorse_machine *m);
/* Calls a hook with the values that the byte code says; `text` for the one that is a text. */
void gorse_call_hook(gorse *g, gorse_machine *m, uint16_t hook, const char *text);
/* Runs byte code and returns the value on top at its end. `rule` GORSE_NONE: an inset of a text, which is an expression
 * and changes nothing. So it runs inside itself at most once: a rule changes what a text shows, whose insets are
 * computed. */
int32_t gorse_execute(gorse *g, const GORSE_ROM uint8_t *code, uint16_t rule);
/* Rules of one event on the shown screen; widget GORSE_NONE for the screen's own. */
void gorse_event(gorse *g, uint8_t event, uint16_t widget);
/* Timers, conditions and screen changes, in rounds. */
/* Returns the ms until a timer is due; 0 if one is already. */
uint32_t gorse_run_rules(gorse *g);
/* 1 if rules or a change of screen wait for the next step. */
static inline uint8_t gorse_is_waiting(const gorse_head *head) {
    return (uint8_t)(head->anything_changed | (head->wanted != GORSE_NONE));
}
/* Begins the texts and widgets of the screen that is shown now, and marks all of it for drawing. */
void gorse_show_screen(gorse *g);

static inline void gorse_trace(const gorse *g, uint8_t what, uint16_t a, int32_t b) {
#if GORSE_TRACE
    if (g->port.trace != 0)
        g->port.trace(g->port.user, what, a, b);
#else
    (void)g;
    (void)what;
    (void)a;
    (void)b;
#endif
}

#ifdef __cplusplus
}
#endif
#endif
