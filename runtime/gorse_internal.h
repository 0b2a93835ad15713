/* SPDX-License-Identifier: MIT */
/* What the runtime's files share among themselves. */
#ifndef GORSE_INTERNAL_H
#define GORSE_INTERNAL_H

#include "gorse_draw.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The head of the state. Behind it, each part 4-aligned where it needs to be: numbers (int32), slots (int32),
 * timers (uint32: when each is due), a bit for each changed variable, a byte for each `when` (what its condition
 * was), the text variables, the shown screen's texts. */
typedef struct gorse_head {
    uint32_t now;
    uint16_t screen;
    uint16_t wanted;   /* screen to change to when the rule ends, or GORSE_NONE */
    uint16_t pressed;  /* widget that took the press, or GORSE_NONE */
    uint8_t down, inside;
    uint8_t started, anything_changed;
    uint8_t back_count, dirty_count;
    uint16_t history[GORSE_HISTORY];
    gorse_rect dirty[GORSE_DIRTY];
} gorse_head;

static inline gorse_head *gorse_head_of(const gorse *g) { return (gorse_head *)(void *)g->state; }

int32_t *gorse_numbers(const gorse *g);
int32_t *gorse_slots(const gorse *g);
uint32_t *gorse_timers(const gorse *g);
uint8_t *gorse_changed_bits(const gorse *g);
uint8_t *gorse_when_bytes(const gorse *g);
char *gorse_texts(const gorse *g);
char *gorse_screen_memory(const gorse *g);

/* A screen's record, copied. */
void gorse_get_screen(const gorse *g, uint16_t screen, gorse_screen *out);
/* A widget's record with its changed properties, and its look in its present state. */
void gorse_get_widget(const gorse *g, const gorse_screen *screen, uint16_t widget, gorse_record *record,
                      gorse_look *look);
/* Flags of the widget's kind. */
uint8_t gorse_kind_flags(const gorse_widget *widget);

/* The nearest place not after `at` where what is sent may begin: a multiple of `unit`, a power of two, and `phase`. */
int16_t gorse_round_down(int16_t at, uint8_t unit, uint8_t phase);
/* Marks an area for drawing. */
void gorse_dirty(gorse *g, gorse_rect area);
void gorse_dirty_widget(gorse *g, const gorse_screen *screen, uint16_t widget);
/* Draws and flushes all that is marked. */
void gorse_paint(gorse *g);

/* Writes a template's text; cut at a character's edge to `capacity` with the closing zero. */
void gorse_expand(gorse *g, const GORSE_ROM uint8_t *text, char *out, uint8_t capacity);
/* Expands all texts of the shown screen that have a buffer. */
void gorse_expand_screen(gorse *g);
/* Begins all widgets of the shown screen that have something to do when it is entered. */
static inline void gorse_enter_widgets(gorse *g) {
    if (g->scene->motion != 0)
        g->scene->motion->enter(g);
}
/* Lets the shown screen's widgets move on. */
static inline void gorse_tick_widgets(gorse *g) {
    if (g->scene->motion != 0)
        g->scene->motion->tick(g);
}
/* Expands the texts that show changed variables and marks what looks different; forgets the changes. */
void gorse_refresh_texts(gorse *g);
/* Expands one widget's text anew and marks what looks different. */
void gorse_refresh_text(gorse *g, const gorse_screen *screen, uint16_t widget);

void gorse_set_slot(gorse *g, uint16_t slot, uint16_t screen, int32_t value);
void gorse_mark_changed(gorse *g, uint16_t variable);
/* A text by its number as a value. */
gorse_text_source gorse_text_by_value(const gorse *g, int32_t value);

/* Runs byte code and answers the value on top at its end. */
int32_t gorse_run(gorse *g, const GORSE_ROM uint8_t *code, uint16_t rule);
/* Rules of one event on the shown screen; widget GORSE_NONE for the screen's own. */
void gorse_event(gorse *g, uint8_t event, uint16_t widget);
/* Timers, conditions and screen changes, in rounds. */
void gorse_run_rules(gorse *g);

static inline void gorse_tell(const gorse *g, uint8_t what, uint16_t a, int32_t b) {
    if (g->port.trace != 0)
        g->port.trace(g->port.user, what, a, b);
}

/* A byte of a text; 0 ends it. */
static inline uint8_t gorse_text_byte(gorse_text_source text, uint16_t at) {
    return text.plain != 0 ? (uint8_t)text.plain[at] : text.rom[at];
}

#ifdef __cplusplus
}
#endif
#endif
