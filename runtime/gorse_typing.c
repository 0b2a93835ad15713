/* SPDX-License-Identifier: MIT */
/* Which field is typed into, and how the keyboard comes and what it would cover moves out of its way. */
#include "gorse_typing.h"

#include "gorse_container.h"
#include "gorse_scroll.h"

/* Pixels between a field that was moved up and the keyboard. */
enum { GAP = 2 };

static uint8_t has_typing(const gorse *g) {
    return (uint8_t)(g->scene != 0 && g->scene->controls != 0 && g->scene->controls->typing_bytes != 0u);
}

int16_t gorse_lift(const gorse *g) {
    return has_typing(g) != 0u && gorse_types_here(g) != 0u ? gorse_typing_of(g)->lift : (int16_t)0;
}

void gorse_place_lifted(const gorse *g, uint16_t number, gorse_widget *widget) {
    const int16_t lift = gorse_lift(g);
    if (has_typing(g) == 0u)
        return;
    if (gorse_is_keyboard(widget) != 0u) {
        if (gorse_types_here(g) != 0u && gorse_typing_of(g)->keyboard == number)
            widget->y = (int16_t)(widget->y + gorse_typing_of(g)->out);
        else
            widget->visible = 0;
    } else if (lift != 0) {
        widget->y = (int16_t)(widget->y - lift);
        if (gorse_holder_of(g, number) != GORSE_NONE) {
            gorse_area *seen = &gorse_container_state_of(g)->seen;
            seen->y0 = (int16_t)(seen->y0 - lift);
            seen->y1 = (int16_t)(seen->y1 - lift);
        }
    }
}

GORSE_OWN_FRAME uint8_t gorse_is_entered(const gorse *g, uint16_t number) {
    gorse_view view;
    gorse_see(g, number, &view);
    return gorse_is_field(view.widget);
}

void gorse_reset_typing(gorse *g) {
    gorse_typing *typing = gorse_typing_of(g);
    memset(typing, 0, sizeof *typing);
    typing->field = GORSE_NONE;
    typing->keyboard = GORSE_NONE;
    typing->pressed = GORSE_NO_KEY;
}

/* Where a keyboard begins when it is up, and how far it is from there to the panel's edge. */
static GORSE_OWN_FRAME int16_t home_of(const gorse *g, uint16_t keyboard, int16_t *way) {
    gorse_view view;
    gorse_see(g, keyboard, &view);
    const int16_t home = (int16_t)(view.widget->y - gorse_typing_of(g)->out);
    *way = (int16_t)gorse_max(0, (gorse_coord)((gorse_coord)g->scene->panel->height - home));
    return home;
}

/* How far the screen has to be moved up for the field to be above the keyboard. */
static GORSE_OWN_FRAME int16_t rise_for(const gorse *g, const gorse_typing *typing) {
    int16_t way;
    const int32_t home = home_of(g, typing->keyboard, &way);
    gorse_view view;
    int32_t top, rise;
    gorse_see(g, typing->field, &view);
    top = (int32_t)view.widget->y + typing->lift;
    rise = top + view.widget->h + GAP - home;
    if (rise > top)
        rise = top;
    return (int16_t)(rise < 0 ? 0 : rise);
}

void gorse_dirty_keyboard(gorse *g) {
    const gorse_typing *typing = gorse_typing_of(g);
    if (typing->keyboard != GORSE_NONE)
        gorse_dirty_number(g, typing->keyboard);
}

/* Keyboard and screen go from where they are to where they belong. */
static void slide_from_here(gorse *g) {
    gorse_typing *typing = gorse_typing_of(g);
    typing->rise = 0;
    if (typing->up != 0u && typing->field != GORSE_NONE)
        typing->rise = rise_for(g, typing);
    typing->since = gorse_head_of(g)->now;
    typing->from = typing->out;
    typing->lifted = typing->lift;
    typing->slides = 1;
}

/* All is about the shown screen from now on. */
static void begin_here(gorse *g) {
    if (gorse_types_here(g) != 0u)
        return;
    gorse_reset_typing(g);
    gorse_typing_of(g)->begun = 1;
    gorse_typing_of(g)->screen = gorse_head_of(g)->screen;
}

void gorse_raise_keyboard(gorse *g, uint16_t keyboard) {
    gorse_typing *typing = gorse_typing_of(g);
    const uint8_t was_up = (uint8_t)(gorse_types_here(g) != 0u && typing->up != 0u && typing->keyboard == keyboard);
    int16_t way;
    begin_here(g);
    if (typing->keyboard != keyboard) {
        const uint8_t other = (uint8_t)(typing->keyboard != GORSE_NONE);
        gorse_dirty_keyboard(g);
        typing->keyboard = keyboard;
        typing->page = typing->key = typing->capitals = 0;
        typing->pressed = GORSE_NO_KEY;
        (void)home_of(g, keyboard, &way);
        /* It takes the place of another. */
        if (other == 0u || typing->out > way)
            typing->out = way;
        gorse_dirty_keyboard(g);
    }
    typing->up = 1;
    slide_from_here(g);
    if (was_up == 0u)
        gorse_event(g, GORSE_EVENT_OPEN, keyboard);
}

void gorse_lower_keyboard(gorse *g) {
    gorse_typing *typing = gorse_typing_of(g);
    if (gorse_types_here(g) == 0u || typing->up == 0u)
        return;
    typing->up = 0;
    typing->by_itself = 0;
    typing->offers = 0;
    slide_from_here(g);
    gorse_event(g, GORSE_EVENT_CLOSE, typing->keyboard);
}

/* Between two places, fast first. */
static int16_t slid(int16_t from, int16_t to, uint32_t rest, uint32_t ms) {
    return (int16_t)(to + ((int32_t)from - to) * (int32_t)(rest * 256u / ms) * (int32_t)(rest * 256u / ms) / 65536);
}

static GORSE_OWN_FRAME uint16_t slide_ms(const gorse *g, uint16_t keyboard) {
    gorse_view view;
    gorse_see(g, keyboard, &view);
    return view.record.keyboard.slide;
}

void gorse_slide_keyboard(gorse *g, uint16_t number) {
    gorse_typing *typing = gorse_typing_of(g);
    uint32_t passed, rest = 0, ms;
    int16_t way, lift;
    if (gorse_types_here(g) == 0u || typing->keyboard != number || typing->slides == 0u)
        return;
    (void)home_of(g, number, &way);
    ms = slide_ms(g, number);
    passed = gorse_head_of(g)->now - typing->since;
    if (passed < ms)
        rest = ms - passed;
    gorse_dirty_keyboard(g);
    lift = typing->rise;
    typing->out = typing->up != 0u ? (int16_t)0 : way;
    if (rest != 0u) {
        lift = slid(typing->lifted, lift, rest, ms);
        typing->out = slid(typing->from, typing->out, rest, ms);
    }
    if (lift != typing->lift)
        gorse_redraw(g);
    typing->lift = lift;
    gorse_dirty_keyboard(g);
    if (rest != 0u)
        return;
    typing->slides = 0;
    if (typing->up == 0u)
        typing->keyboard = GORSE_NONE;
}

void gorse_end_typing(gorse *g, uint8_t takes_over) {
    gorse_typing *typing = gorse_typing_of(g);
    const uint16_t number = typing->field;
    gorse_widget_field field;
    if (gorse_types_here(g) == 0u || number == GORSE_NONE)
        return;
    gorse_read_field(g, number, &field);
    gorse_dirty_number(g, number);
    if (takes_over != 0u)
        gorse_take_over(g, &field);
    typing->field = GORSE_NONE;
    typing->shows = 0;
    typing->shift = 0;
    if (typing->by_itself != 0u)
        gorse_lower_keyboard(g);
    gorse_event(g, takes_over != 0u ? GORSE_EVENT_DONE : GORSE_EVENT_CANCEL, number);
    gorse_event(g, GORSE_EVENT_BLUR, number);
}

/* What the field shows is where typing begins. */
static void load(gorse *g, const gorse_widget_field *field) {
    gorse_typing *typing = gorse_typing_of(g);
    char *text = gorse_typed_text(g);
    const char *from = field->variable != GORSE_NONE ? gorse_text_value(g, field->variable) : "";
    uint8_t length = 0;
    while (from[length] != 0 && length + 1u < g->scene->controls->typing_bytes) {
        text[length] = from[length];
        length++;
    }
    text[length] = 0;
    typing->length = length;
}

void gorse_begin_typing(gorse *g, uint16_t number, uint8_t cursor) {
    gorse_typing *typing = gorse_typing_of(g);
    gorse_widget_field field;
    if (gorse_is_typed_into(g, number) == 0u) {
        const uint8_t goes_on = (uint8_t)(gorse_types_here(g) != 0u && typing->by_itself != 0u);
        gorse_read_field(g, number, &field);
        /* A keyboard that is up stays for the next field. */
        typing->by_itself = 0;
        gorse_end_typing(g, 1);
        begin_here(g);
        load(g, &field);
        typing->field = number;
        typing->cursor = 0;
        typing->shift = 0;
        gorse_reveal(g, number);
        if (field.keyboard != GORSE_NONE) {
            gorse_raise_keyboard(g, field.keyboard);
            typing->by_itself = 1;
        } else if (goes_on != 0u) {
            gorse_lower_keyboard(g);
        } else {
            slide_from_here(g);
        }
        gorse_event(g, GORSE_EVENT_FOCUS, number);
        /* A rule may have changed that. */
        if (gorse_is_typed_into(g, number) == 0u)
            return;
    }
    typing->cursor = cursor < typing->length ? cursor : typing->length;
    typing->shows = 0;
    gorse_show_typed(g);
}

void gorse_leave_typing(gorse *g, uint16_t pressed) {
    const gorse_typing *typing;
    if (has_typing(g) == 0u || gorse_types_here(g) == 0u)
        return;
    typing = gorse_typing_of(g);
    if (typing->field == GORSE_NONE || pressed == typing->field ||
        (pressed != GORSE_NONE && pressed == typing->keyboard))
        return;
    if (pressed != GORSE_NONE) {
        gorse_view view;
        gorse_see(g, pressed, &view);
        /* Its keyboard may stay. */
        if (gorse_is_field(view.widget) != 0u || gorse_is_keyboard(view.widget) != 0u)
            return;
    }
    gorse_end_typing(g, 1);
}

uint8_t gorse_is_typing(const gorse *g) {
    return (uint8_t)(has_typing(g) != 0u && gorse_types_here(g) != 0u && gorse_typing_of(g)->field != GORSE_NONE);
}

/* 1 if the knob is on the keys of a keyboard. */
static uint8_t has_keys(const gorse *g) { return gorse_typing_of(g)->up; }

uint8_t gorse_turn_typing(gorse *g, int8_t steps) {
    if (gorse_is_typing(g) == 0u)
        return 0;
    if (has_keys(g) != 0u)
        gorse_step_key(g, steps);
    else
        for (; steps != 0; steps = (int8_t)(steps + (steps < 0 ? 1 : -1)))
            gorse_type(g, steps < 0 ? GORSE_TYPED_LEFT : GORSE_TYPED_RIGHT);
    return 1;
}

uint8_t gorse_key_typing(gorse *g, uint8_t key) {
    if (gorse_is_typing(g) == 0u || key >= GORSE_KEY_OWN)
        return 0;
    switch (key) {
    case GORSE_KEY_BACK: gorse_end_typing(g, 0); break;
    case GORSE_KEY_LEFT: (void)gorse_turn_typing(g, -1); break;
    case GORSE_KEY_RIGHT: (void)gorse_turn_typing(g, 1); break;
    case GORSE_KEY_UP:
    case GORSE_KEY_DOWN:
        if (has_keys(g) != 0u)
            gorse_step_row(g, key == GORSE_KEY_UP ? -1 : 1);
        break;
    default:
        if (has_keys(g) != 0u)
            gorse_press_key(g);
        else
            gorse_end_typing(g, 1);
        break;
    }
    return 1;
}
