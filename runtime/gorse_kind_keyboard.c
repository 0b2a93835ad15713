/* SPDX-License-Identifier: MIT */
/* Keys on the panel that type into a field: in rows, or in one row that the knob turns. */
#include "gorse_keyboard.h"

enum {
    REPEAT_AFTER = 500, /* ms, of delete */
    REPEAT_EVERY = 90,
    FRAME = 16 /* ms until it is to be drawn again */
};

static GORSE_OWN_FRAME void dirty_key(gorse *g, uint16_t number, uint8_t of) {
    gorse_view view;
    gorse_found_key k;
    gorse_see(g, number, &view);
    if (gorse_keyboard_of(view.widget)->turns != 0u)
        gorse_dirty_number(g, number);
    else if (view.widget->visible != 0u && gorse_find_key(g, gorse_keyboard_of(view.widget), of, &k) != 0u &&
             gorse_clip_to_holders(g, number, &k.box) != 0u)
        gorse_dirty(g, &k.box);
}

/* Another page, or other capitals: it looks different. */
static void turn_page(gorse *g, const gorse_widget_keyboard *keyboard) {
    gorse_typing *typing = gorse_typing_of(g);
    typing->page = gorse_next_key_page(keyboard, typing->page);
    typing->key = 0;
    gorse_dirty_keyboard(g);
}

static void type(gorse *g, uint32_t character) {
    gorse_typing *typing = gorse_typing_of(g);
    gorse_type(g, gorse_in_case(g, character));
    if (typing->capitals == GORSE_SHIFT_ONCE) {
        typing->capitals = GORSE_SHIFT_OFF;
        gorse_dirty_keyboard(g);
    }
}

/* What a key does. */
static void act(gorse *g, const gorse_widget_keyboard *keyboard, const gorse_found_key *k, uint8_t choice) {
    gorse_typing *typing = gorse_typing_of(g);
    switch (k->text[0]) {
    case GORSE_TYPED_SHIFT:
        typing->capitals = (uint8_t)((typing->capitals + 1u) % 3u);
        gorse_dirty_keyboard(g);
        break;
    case GORSE_TYPED_PAGE: turn_page(g, keyboard); break;
    case GORSE_TYPED_DELETE:
    case GORSE_TYPED_NEW_LINE:
    case GORSE_TYPED_DONE:
    case GORSE_TYPED_CANCEL:
    case GORSE_TYPED_LEFT:
    case GORSE_TYPED_RIGHT: gorse_type(g, k->text[0]); break;
    default: type(g, gorse_key_character(k, choice)); break;
    }
}

static void choose(gorse *g, const gorse_widget_keyboard *keyboard, gorse_coord x) {
    gorse_typing *typing = gorse_typing_of(g);
    gorse_rect box;
    gorse_found_key k;
    gorse_coord each, at;
    if (gorse_find_key(g, keyboard, typing->pressed, &k) == 0u)
        return;
    each = gorse_place_choices(keyboard, &k, typing->offers, &box);
    at = (gorse_coord)((x - box.x0) / each);
    at = x < box.x0 ? 0 : gorse_min(at, (gorse_coord)(typing->offers - 1));
    if (typing->choice != (uint8_t)at)
        gorse_dirty_keyboard(g);
    typing->choice = (uint8_t)at;
}

/* The finger is on another key now, or on none. */
static void press(gorse *g, uint16_t number, const gorse_view *view, uint8_t of) {
    gorse_typing *typing = gorse_typing_of(g);
    gorse_finger *finger = gorse_finger_of(g);
    gorse_found_key k;
    if (typing->pressed != GORSE_NO_KEY)
        dirty_key(g, number, typing->pressed);
    typing->pressed = of;
    typing->offers = 0;
    finger->flags = (uint8_t)(finger->flags & ~(unsigned)GORSE_FINGER_REPEATS);
    if (of == GORSE_NO_KEY || gorse_find_key(g, gorse_keyboard_of(view->widget), of, &k) == 0u)
        return;
    dirty_key(g, number, of);
    if (k.text[0] == GORSE_TYPED_DELETE)
        gorse_repeat_in(g, REPEAT_AFTER);
    else if (gorse_keyboard_of(view->widget)->turns == 0u && gorse_key_choices(&k) > 1u)
        gorse_repeat_in(g, g->scene->controls->hold);
}

/* It stays on its key. */
static void repeat(gorse *g, const gorse_widget_keyboard *keyboard) {
    gorse_typing *typing = gorse_typing_of(g);
    gorse_found_key k;
    if (typing->pressed == GORSE_NO_KEY || gorse_find_key(g, keyboard, typing->pressed, &k) == 0u)
        return;
    if (k.text[0] == GORSE_TYPED_DELETE) {
        act(g, keyboard, &k, 0);
        gorse_repeat_in(g, REPEAT_EVERY);
        return;
    }
    typing->offers = gorse_key_choices(&k);
    choose(g, keyboard, gorse_finger_of(g)->x);
    gorse_dirty_keyboard(g);
}

static void release(gorse *g, uint16_t number, const gorse_widget_keyboard *keyboard) {
    gorse_typing *typing = gorse_typing_of(g);
    const uint8_t of = typing->pressed, choice = typing->offers != 0u ? typing->choice : (uint8_t)0;
    gorse_found_key k;
    if (of == GORSE_NO_KEY)
        return;
    if (typing->offers != 0u)
        gorse_dirty_number(g, number);
    dirty_key(g, number, of);
    typing->pressed = GORSE_NO_KEY;
    typing->offers = 0;
    /* Delete did so at once. */
    if (gorse_finger_of(g)->over != 0u && gorse_find_key(g, keyboard, of, &k) != 0u &&
        k.text[0] != GORSE_TYPED_DELETE) {
        if (keyboard->turns != 0u)
            typing->key = of;
        act(g, keyboard, &k, choice);
    }
}

static void touch(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    const gorse_widget_keyboard *keyboard = gorse_keyboard_of(view->widget);
    gorse_typing *typing = gorse_typing_of(g);
    const gorse_finger *finger = gorse_finger_of(g);
    gorse_found_key k;
    if (what == GORSE_TOUCH_PRESS) {
        press(g, number, view, gorse_key_at(g, view, finger->x, finger->y));
        if (typing->pressed != GORSE_NO_KEY && gorse_find_key(g, keyboard, typing->pressed, &k) != 0u &&
            k.text[0] == GORSE_TYPED_DELETE)
            act(g, keyboard, &k, 0);
    } else if (what == GORSE_TOUCH_MOVE && typing->offers != 0u) {
        choose(g, keyboard, finger->x);
    } else if (what == GORSE_TOUCH_MOVE) {
        const uint8_t of = gorse_key_at(g, view, finger->x, finger->y);
        if (of != typing->pressed)
            press(g, number, view, of);
    } else if (what == GORSE_TOUCH_REPEAT) {
        repeat(g, keyboard);
    } else {
        release(g, number, keyboard);
    }
}

/* The keyboard that is up, as rules made it. */
static GORSE_OWN_FRAME void read_keyboard(const gorse *g, gorse_widget_keyboard *out) {
    gorse_view view;
    gorse_see(g, gorse_typing_of(g)->keyboard, &view);
    *out = view.record.keyboard;
}

static void put_on(gorse *g, uint8_t of) {
    gorse_typing *typing = gorse_typing_of(g);
    dirty_key(g, typing->keyboard, typing->key);
    typing->key = of;
    dirty_key(g, typing->keyboard, of);
}

static void step(gorse *g, const gorse_widget_keyboard *keyboard, int8_t by) {
    const int16_t count = gorse_count_keys(g, keyboard);
    int16_t at = (int16_t)(gorse_typing_of(g)->key + by % gorse_max(1, count));
    if (at < 0)
        at = (int16_t)(at + count);
    if (at >= count)
        at = (int16_t)(at - count);
    put_on(g, (uint8_t)at);
}

void gorse_step_key(gorse *g, int8_t steps) {
    gorse_widget_keyboard keyboard;
    read_keyboard(g, &keyboard);
    step(g, &keyboard, steps);
}

/* Goes to the key above or below, round at the ends. */
static void step_over(gorse *g, const gorse_widget_keyboard *keyboard, int8_t way) {
    gorse_key_walk w;
    gorse_found_key now, each;
    uint8_t best = GORSE_NO_KEY, row, rows;
    gorse_coord middle, least = 32000;
    if (keyboard->turns != 0u || gorse_find_key(g, keyboard, gorse_typing_of(g)->key, &now) == 0u) {
        step(g, keyboard, way);
        return;
    }
    gorse_begin_keys(keyboard, gorse_typing_of(g)->page, &w);
    rows = w.rows;
    while (gorse_next_key(&w, &each) != 0u && each.number != now.number) {
    }
    row = (uint8_t)(((unsigned)w.row + rows + (unsigned)way) % rows);
    middle = (gorse_coord)((now.box.x0 + now.box.x1) / 2);
    gorse_begin_keys(keyboard, gorse_typing_of(g)->page, &w);
    while (gorse_next_key(&w, &each) != 0u) {
        gorse_coord far = (gorse_coord)((each.box.x0 + each.box.x1) / 2 - middle);
        far = far < 0 ? (gorse_coord)-far : far;
        if (w.row == row && far < least) {
            least = far;
            best = each.number;
        }
    }
    if (best != GORSE_NO_KEY)
        put_on(g, best);
}

void gorse_step_row(gorse *g, int8_t way) {
    gorse_widget_keyboard keyboard;
    read_keyboard(g, &keyboard);
    step_over(g, &keyboard, way);
}

void gorse_press_key(gorse *g) {
    gorse_widget_keyboard keyboard;
    gorse_found_key k;
    read_keyboard(g, &keyboard);
    if (gorse_find_key(g, &keyboard, gorse_typing_of(g)->key, &k) != 0u)
        act(g, &keyboard, &k, 0);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    (void)look;
    if (what == GORSE_COMMAND_ENTER)
        gorse_reset_typing(g);
    else if (what == GORSE_COMMAND_OPEN)
        gorse_raise_keyboard(g, gorse_control_number(g, widget));
    else if (what == GORSE_COMMAND_CLOSE && gorse_typing_of(g)->keyboard == gorse_control_number(g, widget))
        gorse_lower_keyboard(g);
}

static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    (void)look;
    gorse_slide_keyboard(g, gorse_control_number(g, widget));
    return 0;
}

static uint32_t wait(const gorse *g, const gorse_widget *widget) {
    const gorse_typing *typing = gorse_typing_of(g);
    return gorse_types_here(g) != 0u && typing->keyboard == gorse_control_number(g, widget) && typing->slides != 0u
               ? (uint32_t)FRAME
               : GORSE_FOREVER;
}

const GORSE_ROM gorse_control_kind gorse_kind_keyboard = {
    {sizeof(gorse_widget_keyboard), GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL, gorse_draw_keyboard, command, tick, wait},
    gorse_no_states,
    touch};
