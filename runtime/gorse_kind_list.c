/* SPDX-License-Identifier: MIT */
/* A list of items: lines of a text, or texts that the firmware is asked for, of which only those in sight are drawn. */
#include "gorse_control.h"
#include "gorse_list.h"
#include "gorse_scroll.h"
#include "gorse_see.h"

enum {
    EDGE_BAR = 3,  /* pixels of the bar at the edge of the chosen item */
    TEXT_GAP = 8,  /* from the edge to the text, or the image */
    IMAGE_GAP = 6, /* between these */
    MOST = 65000   /* items */
};

static const gorse_widget_list *list_of(const gorse_widget *widget) {
    return (const gorse_widget_list *)(const void *)widget;
}

static gorse_list_state state_of(const gorse *g, const gorse_widget_list *list) {
    gorse_list_state state;
    memcpy(&state, gorse_widget_state(g, &list->label.widget), sizeof state);
    return state;
}

/* Where item `index` begins in the list's text; what is behind the last is its end. */
static uint16_t line_of(gorse_text_source text, uint16_t index) {
    uint16_t at = 0;
    for (; index != 0u && gorse_text_byte(text, at) != 0u; at++)
        if (gorse_text_byte(text, at) == 10u)
            index--;
    return at;
}

static uint16_t count_items(const gorse *g, const gorse_widget_list *list) {
    const gorse_text_source text = gorse_shown_text(g, &list->label);
    uint16_t at, count = 1;
    if (list->ask != 0) {
        const int32_t number = gorse_number(g, (uint16_t)list->form[GORSE_LIST_COUNT]);
        return (uint16_t)(number < 0 ? 0 : number > MOST ? MOST : number);
    }
    if (gorse_text_byte(text, 0) == 0u)
        return 0;
    for (at = 0; gorse_text_byte(text, at) != 0u; at++)
        count = (uint16_t)(count + (gorse_text_byte(text, at) == 10u));
    return count;
}

/* Writes the text of an item, cut at a character's edge. */
static void write_item(const gorse *g, const gorse_widget_list *list, uint16_t index, char *out) {
    const gorse_text_source text = gorse_shown_text(g, &list->label);
    uint16_t at;
    uint8_t length = 0;
    if (list->ask != 0) {
        memset(out, 0, GORSE_ITEM_BYTES);
        list->ask(index, out, GORSE_ITEM_BYTES);
        out[GORSE_ITEM_BYTES - 1] = 0;
        return;
    }
    for (at = line_of(text, index); length < GORSE_ITEM_BYTES; at++, length++) {
        const uint8_t byte = gorse_text_byte(text, at);
        out[length] = (char)byte;
        if (byte == 0u || byte == 10u)
            break;
    }
    if (length == GORSE_ITEM_BYTES)
        while (length != 0u && ((uint8_t)out[--length] & 0xc0u) == 0x80u) {
        }
    out[length] = 0;
}

/* The item that is chosen, or GORSE_NONE. */
static uint16_t chosen_of(const gorse *g, const gorse_widget_list *list) {
    const gorse_list_state state = state_of(g, list);
    int32_t index;
    if (list->variable == GORSE_NONE)
        return state.chosen < state.count ? state.chosen : (uint16_t)GORSE_NONE;
    index = gorse_number(g, list->variable) - list->form[GORSE_LIST_FIRST];
    return index < 0 || index >= (int32_t)state.count ? (uint16_t)GORSE_NONE : (uint16_t)index;
}

static void choose(gorse *g, uint16_t number, const gorse_widget_list *list, uint16_t index) {
    gorse_list_state state = state_of(g, list);
    if (list->variable != GORSE_NONE) {
        gorse_set_by_control(g, number, list->variable, list->form[GORSE_LIST_FIRST] + index);
    } else if (state.chosen != index) {
        gorse_dirty_number(g, number);
        state.chosen = index;
        memcpy(gorse_widget_state(g, &list->label.widget), &state, sizeof state);
        gorse_event(g, GORSE_EVENT_CHANGE, number);
    }
}

static int32_t way_of(const gorse *g, const gorse_widget_list *list) {
    const int32_t way = (int32_t)state_of(g, list).count * list->item_height - list->label.widget.h;
    return way > 0 ? way : 0;
}

/* Moves it so that an item is in sight. */
static void reveal(gorse *g, uint16_t number, const gorse_widget_list *list, uint16_t index) {
    const int32_t from = (int32_t)index * list->item_height, most = way_of(g, list);
    int32_t pan = list->pan;
    if (index == GORSE_NONE) {
        pan = pan > most ? most : pan;
    } else {
        if (pan < from + list->item_height - list->label.widget.h)
            pan = from + list->item_height - list->label.widget.h;
        if (pan > from)
            pan = from;
        pan = pan > most ? most : pan;
    }
    (void)gorse_set_pan(g, number, 1, pan < 0 ? 0 : pan);
}

static void command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    const gorse_widget_list *list = list_of(widget);
    gorse_list_state state;
    (void)look;
    if (what != GORSE_COMMAND_ENTER)
        return;
    state.chosen = GORSE_NONE;
    state.count = count_items(g, list);
    memcpy(gorse_widget_state(g, widget), &state, sizeof state);
    if (list->variable != GORSE_NONE)
        state.chosen = chosen_of(g, list);
    memcpy(gorse_widget_state(g, widget), &state, sizeof state);
    reveal(g, gorse_control_number(g, widget), list, state.chosen);
}

/* Its items, and the chosen one, may have changed. */
static uint8_t tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_list *list = list_of(widget);
    const gorse_list_state before = state_of(g, list);
    gorse_list_state now = before;
    const uint16_t number = gorse_control_number(g, widget);
    (void)look;
    now.count = count_items(g, list);
    if (now.count != before.count)
        memcpy(gorse_widget_state(g, widget), &now, sizeof now);
    if (list->variable != GORSE_NONE)
        now.chosen = chosen_of(g, list);
    if (now.count == before.count && now.chosen == before.chosen)
        return 0;
    memcpy(gorse_widget_state(g, widget), &now, sizeof now);
    gorse_dirty_number(g, number);
    if (gorse_scroller_of(g)->doing == GORSE_SCROLLER_RESTS || gorse_scroller_of(g)->widget != number)
        reveal(g, number, list, now.chosen != before.chosen ? now.chosen : (uint16_t)GORSE_NONE);
    return 0;
}

static void touch(gorse *g, uint16_t number, const gorse_view *view, uint8_t what) {
    const gorse_widget_list *list = list_of(view->widget);
    gorse_finger *finger = gorse_finger_of(g);
    const int32_t y = (int32_t)finger->y - list->label.widget.y + list->pan;
    /* A key presses the chosen one. */
    if (what == GORSE_TOUCH_PRESS)
        finger->at = gorse_head_of(g)->down != 0u && y >= 0 ? y / list->item_height : -1;
    if (what == GORSE_TOUCH_RELEASE && gorse_is_tap(g) != 0u && finger->at >= 0 &&
        finger->at < (int32_t)state_of(g, list).count)
        choose(g, number, list, (uint16_t)finger->at);
}

int32_t gorse_list_way(const gorse *g, uint16_t number) {
    gorse_record record;
    gorse_read_record(g, number, &record, sizeof record.list);
    return way_of(g, &record.list);
}

uint8_t gorse_snap_of(const gorse *g, uint16_t number) {
    gorse_record record;
    if ((gorse_shown(g)->widgets[number]->kind->flags & GORSE_KIND_LISTS) == 0u)
        return 0;
    gorse_read_record(g, number, &record, sizeof record.list);
    return record.list.snap != 0u ? record.list.item_height : (uint8_t)0;
}

uint8_t gorse_step_list(gorse *g, uint16_t number, int8_t way) {
    gorse_record record;
    int32_t index;
    gorse_read_record(g, number, &record, sizeof record.list);
    index = chosen_of(g, &record.list);
    index = index == GORSE_NONE ? (way > 0 ? 0 : -1) : index + way;
    if (index < 0 || index >= (int32_t)state_of(g, &record.list).count)
        return 0;
    choose(g, number, &record.list, (uint16_t)index);
    reveal(g, number, &record.list, (uint16_t)index);
    return 1;
}

/* The image of an item; 0 if it has none. */
static const GORSE_ROM gorse_image *image_of(const gorse_widget_list *list, uint16_t index) {
    if (list->image == 0 || list->image->count == 0u)
        return 0;
    return list->image->frames[index < list->image->count ? index : (uint16_t)(list->image->count - 1u)];
}

/* An item in its row, whose look is that of the states that it is in. */
static GORSE_OWN_FRAME void draw_item(const gorse_canvas *c, const gorse_widget_list *list, const gorse_look *look,
                                      const gorse_rect *row, uint16_t index) {
    char *text = gorse_scratch(c->run);
    const GORSE_ROM gorse_image *image = image_of(list, index);
    gorse_text_box where;
    /* What is higher than the row stays in it: rows beside the strip are left out. */
    gorse_canvas in_row = *c;
    if (gorse_clip(&in_row.clip, row) == 0u)
        return;
    where.box = *row;
    where.box.x0 = (gorse_coord)(where.box.x0 + TEXT_GAP);
    if (image != 0) {
        gorse_draw_image(&in_row, image, where.box.x0,
                         gorse_placed(row->y0, row->y1, (gorse_coord)image->height, GORSE_ALIGN_MIDDLE), look->text);
        where.box.x0 = (gorse_coord)(where.box.x0 + (gorse_coord)image->width + IMAGE_GAP);
    }
    where.align = list->label.align;
    where.place = GORSE_ALIGN_MIDDLE;
    where.wrap = 0;
    write_item(c->run, list, index, text);
    gorse_draw_text(&in_row, gorse_plain_text(text), &where, look->font, look->text);
}

/* The look of an item; `pressed` 1: the finger is on it. */
static void look_of(const gorse_widget_list *list, const gorse_look *plain, uint8_t chosen, uint8_t pressed,
                    gorse_look *out) {
    const uint_fast8_t states =
        (uint_fast8_t)((chosen != 0u ? GORSE_STATE_ON : 0) | (pressed != 0u ? GORSE_STATE_PRESSED : 0));
    *out = *plain;
    if (states != 0u)
        gorse_copy_rom(out, gorse_look_in(list->label.widget.look, states), sizeof *out);
}

/* What is chosen, or pressed, stands out whatever its look says: lighter, or inverted where nothing mixes. */
static void tint(const gorse_canvas *c, const gorse_look *plain, const gorse_rect *row, gorse_look *look) {
    const gorse_colour text = look->text;
    if (look->fill != plain->fill) {
        gorse_fill_rect(c, row, look->fill);
    } else if ((c->format->flags & GORSE_FORMAT_MIXES) != 0u) {
        gorse_fill_rect(c, row, (text & 0x00ffffffu) | 0x28000000u);
    } else {
        gorse_fill_rect(c, row, text);
        look->text = gorse_alpha(look->fill) != 0u ? look->fill : 0xff000000u;
    }
}

static void draw_row(const gorse_canvas *c, const gorse_widget_list *list, const gorse_look *plain, gorse_rect *row,
                     uint16_t index, uint16_t chosen, int32_t pressed) {
    const uint8_t is_chosen = (uint8_t)(index == chosen), is_pressed = (uint8_t)((int32_t)index == pressed);
    gorse_rect bar = *row;
    gorse_look look;
    look_of(list, plain, is_chosen, is_pressed, &look);
    if ((is_chosen | is_pressed) != 0u)
        tint(c, plain, row, &look);
    bar.y0 = (gorse_coord)(bar.y1 - 1);
    gorse_fill_rect(c, &bar, (look.border & 0x00ffffffu) | 0x50000000u);
    bar = *row;
    bar.x1 = (gorse_coord)(bar.x0 + EDGE_BAR);
    if (is_chosen != 0u)
        gorse_fill_rect(c, &bar, (gorse_colour)list->form[GORSE_LIST_ON_COLOUR]);
    draw_item(c, list, &look, row, index);
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_list *list = list_of(widget);
    const gorse *g = c->run;
    const uint16_t number = gorse_control_number(g, widget), count = state_of(g, list).count;
    const gorse_head *head = gorse_head_of(g);
    const uint16_t chosen = chosen_of(g, list);
    int32_t pressed = -1;
    gorse_look frame = *look;
    gorse_rect box, row;
    int32_t top, index;
    gorse_widget_box(widget, &box);
    /* The items are pressed, not the list. */
    if (head->pressed == number && head->inside != 0u) {
        gorse_copy_rom(&frame, widget->look, sizeof frame);
        pressed = gorse_finger_of(g)->at >= 0 ? gorse_finger_of(g)->at : (int32_t)chosen;
    }
    gorse_draw_box(c, &box, &frame);
    index = list->pan < 0 ? 0 : list->pan / list->item_height;
    top = (int32_t)box.y0 + index * list->item_height - list->pan;
    row = box;
    row.x0 = (gorse_coord)(row.x0 + look->border_width);
    row.x1 = (gorse_coord)(row.x1 - look->border_width);
    for (; index < (int32_t)count && top < (int32_t)c->clip.y1; index++, top += list->item_height) {
        row.y0 = (gorse_coord)top;
        row.y1 = (gorse_coord)(top + list->item_height);
        if (row.y1 > c->clip.y0)
            draw_row(c, list, &frame, &row, (uint16_t)index, chosen, pressed);
    }
    frame.fill = 0;
    gorse_draw_box(c, &box, &frame);
    gorse_draw_list_bar(c, number, list);
}

const GORSE_ROM gorse_control_kind gorse_kind_list = {
    {sizeof(gorse_widget_list), GORSE_KIND_HAS_TEXT | GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL | GORSE_KIND_LISTS, draw,
     command, tick, gorse_wait_for_value},
    gorse_no_states,
    touch};
