/* SPDX-License-Identifier: MIT */
/* Where the keys of a keyboard are, and what is on them. */
#include "gorse_keyboard.h"

enum {
    EDGE = 2,         /* pixels round all keys */
    PAGE_LETTERS = 3, /* of the next page, on the key that leads there */
    LEAST_CHOICE = 20 /* pixels of a letter that is offered */
};

static const GORSE_ROM uint8_t *behind(const GORSE_ROM uint8_t *gorse_key_at) {
    for (gorse_key_at++; *gorse_key_at != 0u; gorse_key_at++) {
    }
    return gorse_key_at + 1;
}

/* Where a page begins; where the first does if there are not so many. */
static const GORSE_ROM uint8_t *page_of(const gorse_widget_keyboard *keyboard, uint8_t page) {
    const GORSE_ROM uint8_t *at = keyboard->keys;
    while (page != 0u && *at != GORSE_KEYS_END) {
        if (*at == GORSE_KEYS_PAGE_ENDS)
            page--;
        at = *at < GORSE_KEYS_ROW_ENDS ? behind(at) : at + 1;
    }
    return *at == GORSE_KEYS_END ? keyboard->keys : at;
}

uint8_t gorse_next_key_page(const gorse_widget_keyboard *keyboard, uint8_t page) {
    return page_of(keyboard, (uint8_t)(page + 1u)) == keyboard->keys ? (uint8_t)0 : (uint8_t)(page + 1u);
}

static uint16_t units_of(const GORSE_ROM uint8_t *at) {
    uint16_t units = 0;
    for (; *at < GORSE_KEYS_ROW_ENDS; at = behind(at))
        units = (uint16_t)(units + *at);
    return units;
}

void gorse_begin_keys(const gorse_widget_keyboard *keyboard, uint8_t page, gorse_key_walk *w) {
    const GORSE_ROM uint8_t *at;
    w->at = page_of(keyboard, page);
    w->number = w->row = w->rows = 0;
    w->left = 0;
    w->units = units_of(w->at);
    gorse_widget_box(&keyboard->widget, &w->area);
    gorse_shrink(&w->area, EDGE);
    for (at = w->at; *at < GORSE_KEYS_PAGE_ENDS; at = *at < GORSE_KEYS_ROW_ENDS ? behind(at) : at + 1)
        w->rows = (uint8_t)(w->rows + (*at == GORSE_KEYS_ROW_ENDS));
}

/* A part of a length, whose ends are shared with its neighbours. */
static gorse_coord part_of(gorse_coord from, gorse_coord to, uint16_t at, uint16_t of) {
    return (gorse_coord)(from + ((int32_t)to - from) * (int32_t)at / (int32_t)(of == 0u ? 1u : of));
}

/* The next key; 0 at the end of the page. */
uint8_t gorse_next_key(gorse_key_walk *w, gorse_found_key *out) {
    for (;;) {
        const uint8_t width = *w->at;
        if (width == GORSE_KEYS_ROW_ENDS) {
            w->at++;
            w->row++;
            w->left = 0;
            w->units = units_of(w->at);
        } else if (width >= GORSE_KEYS_PAGE_ENDS) {
            return 0;
        } else {
            out->text = w->at + 1;
            out->box.x0 = part_of(w->area.x0, w->area.x1, w->left, w->units);
            w->left = (uint16_t)(w->left + width);
            out->box.x1 = part_of(w->area.x0, w->area.x1, w->left, w->units);
            out->box.y0 = part_of(w->area.y0, w->area.y1, w->row, w->rows);
            out->box.y1 = part_of(w->area.y0, w->area.y1, (uint16_t)(w->row + 1u), w->rows);
            w->at = behind(w->at);
            if (out->text[0] == GORSE_TYPED_GAP)
                continue;
            out->number = w->number++;
            return 1;
        }
    }
}

/* A key by its number, with its box among the rows. Returns 0 if the page has none. */
uint8_t gorse_find_key(const gorse *g, const gorse_widget_keyboard *keyboard, uint8_t number, gorse_found_key *out) {
    gorse_key_walk w;
    gorse_begin_keys(keyboard, gorse_typing_of(g)->page, &w);
    while (gorse_next_key(&w, out) != 0u)
        if (out->number == number)
            return 1;
    return 0;
}

uint8_t gorse_count_keys(const gorse *g, const gorse_widget_keyboard *keyboard) {
    gorse_key_walk w;
    gorse_found_key each;
    gorse_begin_keys(keyboard, gorse_typing_of(g)->page, &w);
    while (gorse_next_key(&w, &each) != 0u) {
    }
    return w.number;
}

/* Character `index` of a key. */
uint32_t gorse_key_character(const gorse_found_key *k, uint8_t index) {
    const gorse_text_source text = gorse_rom_text(k->text);
    uint16_t at = 0;
    uint32_t character = gorse_next_character(text, &at);
    for (; index != 0u; index--)
        character = gorse_next_character(text, &at);
    return character;
}

uint8_t gorse_key_choices(const gorse_found_key *k) {
    const gorse_text_source text = gorse_rom_text(k->text);
    uint16_t at = 0;
    uint8_t count = 0;
    while (k->text[0] >= 32u && gorse_next_character(text, &at) != 0u)
        count++;
    return count;
}

/* As it is typed now. */
uint32_t gorse_in_case(const gorse *g, uint32_t character) {
    return gorse_typing_of(g)->capitals != GORSE_SHIFT_OFF ? gorse_capital(character) : character;
}

/* What is on a key, in `label` unless it lies in program memory; nothing for those with a sign. */
gorse_text_source gorse_key_label(const gorse *g, const gorse_widget_keyboard *keyboard, const gorse_found_key *k,
                                  char *label) {
    const uint8_t code = k->text[0];
    uint8_t length = 0, count;
    if (code == GORSE_TYPED_DONE)
        return gorse_rom_text(keyboard->words);
    if (code == GORSE_TYPED_CANCEL)
        return gorse_rom_text(behind(keyboard->words));
    if (code > 32u)
        length = gorse_put_character(gorse_in_case(g, gorse_key_character(k, 0)), label);
    if (code == GORSE_TYPED_PAGE) {
        gorse_found_key of;
        gorse_key_walk w;
        gorse_begin_keys(keyboard, gorse_next_key_page(keyboard, gorse_typing_of(g)->page), &w);
        for (count = 0; count < PAGE_LETTERS && gorse_next_key(&w, &of) != 0u; count++)
            if (of.text[0] > 32u)
                length = (uint8_t)(length + gorse_put_character(gorse_key_character(&of, 0), label + length));
    }
    label[length] = 0;
    return gorse_plain_text(label);
}

/* Pixels that a key takes in a row that turns. */
static gorse_coord turned_width(const gorse *g, const gorse_widget_keyboard *keyboard, const gorse_look *look,
                                const gorse_found_key *k) {
    char label[GORSE_KEY_LABEL];
    gorse_line line;
    const gorse_coord least = (gorse_coord)(look->font->line_height + 2);
    (void)gorse_next_line(look->font, gorse_key_label(g, keyboard, k, label), 0, 0, 0, &line);
    return gorse_max(least, (gorse_coord)(line.width + 8));
}

/* Finds the key that is `way` keys to the right of the one that the knob is on, and its box. */
void gorse_turned_key(const gorse *g, const gorse_widget_keyboard *keyboard, const gorse_look *look, int16_t way,
                      gorse_found_key *out) {
    const uint8_t count = gorse_count_keys(g, keyboard);
    uint8_t number = gorse_typing_of(g)->key;
    gorse_coord width, left;
    gorse_rect box;
    gorse_widget_box(&keyboard->widget, &box);
    (void)gorse_find_key(g, keyboard, number, out);
    width = turned_width(g, keyboard, look, out);
    left = (gorse_coord)((box.x0 + box.x1 - width) / 2);
    for (; way > 0; way--) {
        left = (gorse_coord)(left + width);
        number = (uint8_t)(number + 1u < count ? number + 1u : 0u);
        (void)gorse_find_key(g, keyboard, number, out);
        width = turned_width(g, keyboard, look, out);
    }
    for (; way < 0; way++) {
        number = (uint8_t)(number != 0u ? number - 1u : count - 1u);
        (void)gorse_find_key(g, keyboard, number, out);
        width = turned_width(g, keyboard, look, out);
        left = (gorse_coord)(left - width);
    }
    out->box = box;
    out->box.x0 = left;
    out->box.x1 = (gorse_coord)(left + width);
}

/* The keys that a row that turns shows reach so far to the left of the middle one, at most. */
int16_t gorse_turned_reach(const gorse_widget_keyboard *keyboard, const gorse_look *look, uint8_t count) {
    const int32_t most = keyboard->widget.w / 2 / (look->font->line_height + 2) + 1;
    const int32_t half = ((int32_t)count - 1) / 2;
    return (int16_t)(most < half ? most : half);
}

/* The number of the key at x, y, or GORSE_NO_KEY. */
GORSE_OWN_FRAME uint8_t gorse_key_at(const gorse *g, const gorse_view *view, gorse_coord x, gorse_coord y) {
    const gorse_widget_keyboard *keyboard = gorse_keyboard_of(view->widget);
    gorse_key_walk w;
    gorse_found_key each;
    if (keyboard->turns != 0u && view->look->font != 0) {
        const int16_t reach = gorse_turned_reach(keyboard, view->look, gorse_count_keys(g, keyboard));
        int16_t way;
        for (way = (int16_t)-reach; way <= reach; way++) {
            gorse_turned_key(g, keyboard, view->look, way, &each);
            if (x >= each.box.x0 && x < each.box.x1)
                return each.number;
        }
        return GORSE_NO_KEY;
    }
    gorse_begin_keys(keyboard, gorse_typing_of(g)->page, &w);
    while (gorse_next_key(&w, &each) != 0u)
        if (x >= each.box.x0 && x < each.box.x1 && y >= each.box.y0 && y < each.box.y1)
            return each.number;
    return GORSE_NO_KEY;
}

/* Where the letters that a held key offers are, as one box, and how wide each is. */
gorse_coord gorse_place_choices(const gorse_widget_keyboard *keyboard, const gorse_found_key *k, uint8_t count,
                                gorse_rect *out) {
    gorse_rect box;
    const gorse_coord each = gorse_max(LEAST_CHOICE, (gorse_coord)(k->box.x1 - k->box.x0));
    const gorse_coord high = (gorse_coord)(k->box.y1 - k->box.y0);
    gorse_widget_box(&keyboard->widget, &box);
    *out = k->box;
    if (out->y0 - high >= box.y0) {
        out->y0 = (gorse_coord)(out->y0 - high);
        out->y1 = (gorse_coord)(out->y1 - high);
    }
    /* The first with an accent is over the key. */
    out->x0 = gorse_min((gorse_coord)(k->box.x0 - each), (gorse_coord)(box.x1 - each * count));
    out->x0 = gorse_max(out->x0, box.x0);
    out->x1 = (gorse_coord)(out->x0 + each * count);
    return each;
}
