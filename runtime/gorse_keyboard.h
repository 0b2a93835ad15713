/* SPDX-License-Identifier: MIT */
/* What the files of keyboards share: the keys of the page that is shown. */
#ifndef GORSE_KEYBOARD_H
#define GORSE_KEYBOARD_H

#include "gorse_container.h"
#include "gorse_typing.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Bytes of what a key says, its closing zero included. */
#define GORSE_KEY_LABEL 16

/* A key. */
typedef struct gorse_found_key {
    const GORSE_ROM uint8_t *text; /* its code, or its characters */
    uint8_t number;                /* of its page, without gaps, from 0 on */
    gorse_rect box;
} gorse_found_key;

/* An iterator over the keys of a page. */
typedef struct gorse_key_walk {
    const GORSE_ROM uint8_t *at;
    gorse_rect area; /* of all keys */
    uint8_t number, row, rows;
    uint16_t left, units; /* half widths in front of it, and of its row */
} gorse_key_walk;

static inline const gorse_widget_keyboard *gorse_keyboard_of(const gorse_widget *widget) {
    return (const gorse_widget_keyboard *)(const void *)widget;
}

/* Starts at the first key of a page; of page 0 if the keyboard has fewer pages. gorse_next_key returns 0 at the end of
 * the page. */
void gorse_begin_keys(const gorse_widget_keyboard *keyboard, uint8_t page, gorse_key_walk *w);
uint8_t gorse_next_key(gorse_key_walk *w, gorse_found_key *out);
/* The page behind a page; behind the last comes the first. */
uint8_t gorse_next_key_page(const gorse_widget_keyboard *keyboard, uint8_t page);

/* A key of the page that is shown by its number, with its box among the rows. Returns 0 if it has none. */
uint8_t gorse_find_key(const gorse *g, const gorse_widget_keyboard *keyboard, uint8_t number, gorse_found_key *out);
uint8_t gorse_count_keys(const gorse *g, const gorse_widget_keyboard *keyboard);
/* The number of the key at x, y, or GORSE_NO_KEY. */
uint8_t gorse_key_at(const gorse *g, const gorse_view *view, gorse_coord x, gorse_coord y);
/* The key so many keys to the right of the one that the knob is on, in a row that turns, and its box there. */
void gorse_turned_key(const gorse *g, const gorse_widget_keyboard *keyboard, const gorse_look *look, int16_t way,
                      gorse_found_key *out);
/* As many keys such a row shows at each side of that, at most. */
int16_t gorse_turned_reach(const gorse_widget_keyboard *keyboard, const gorse_look *look, uint8_t count);

/* How many characters a key has, and one of them. */
uint8_t gorse_key_choices(const gorse_found_key *k);
uint32_t gorse_key_character(const gorse_found_key *k, uint8_t index);
/* A character as it is typed now. */
uint32_t gorse_in_case(const gorse *g, uint32_t character);
/* What is on a key, in `label`, GORSE_KEY_LABEL of it, or in program memory; nothing for those with a sign. */
gorse_text_source gorse_key_label(const gorse *g, const gorse_widget_keyboard *keyboard, const gorse_found_key *k,
                                  char *label);
/* Where the letters that a held key offers are, as one box; returns how wide each is. */
gorse_coord gorse_place_choices(const gorse_widget_keyboard *keyboard, const gorse_found_key *k, uint8_t count,
                                gorse_rect *out);

/* gorse_kind.draw */
void gorse_draw_keyboard(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look);

#ifdef __cplusplus
}
#endif
#endif
