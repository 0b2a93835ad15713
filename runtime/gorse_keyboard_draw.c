/* SPDX-License-Identifier: MIT */
/* How a keyboard is drawn. */
#include "gorse_keyboard.h"

enum { GAP = 1 /* pixels round each key */ };

static void fill(const gorse_canvas *c, gorse_coord x0, gorse_coord y0, gorse_coord x1, gorse_coord y1,
                 gorse_colour colour) {
    gorse_rect area;
    area.x0 = x0;
    area.y0 = y0;
    area.x1 = x1;
    area.y1 = y1;
    gorse_fill_rect(c, &area, colour);
}

/* A triangle that points one way, GORSE_SIDE_..., `size` pixels long, round a point. */
static void draw_triangle(const gorse_canvas *c, gorse_coord x, gorse_coord y, gorse_coord size, uint8_t side,
                          gorse_colour colour) {
    gorse_coord i;
    for (i = 0; i < size; i++) {
        const gorse_coord at = (gorse_coord)(side == GORSE_SIDE_LEFT || side == GORSE_SIDE_ABOVE ? i : size - 1 - i);
        if (side == GORSE_SIDE_LEFT || side == GORSE_SIDE_RIGHT)
            fill(c, (gorse_coord)(x - size / 2 + i), (gorse_coord)(y - at), (gorse_coord)(x - size / 2 + i + 1),
                 (gorse_coord)(y + at + 1), colour);
        else
            fill(c, (gorse_coord)(x - at), (gorse_coord)(y - size / 2 + i), (gorse_coord)(x + at + 1),
                 (gorse_coord)(y - size / 2 + i + 1), colour);
    }
}

/* The sign on a key without a label. */
static GORSE_OWN_FRAME void draw_sign(const gorse_canvas *canvas, const gorse_rect *box, uint8_t code, uint8_t capitals,
                                      gorse_coord size, gorse_colour colour) {
    const gorse_coord x = (gorse_coord)((box->x0 + box->x1) / 2), y = (gorse_coord)((box->y0 + box->y1) / 2);
    gorse_canvas inside = *canvas;
    const gorse_canvas *c = &inside;
    if (gorse_clip(&inside.clip, box) == 0u)
        return;
    switch (code) {
    case GORSE_TYPED_DELETE:
        fill(c, x, (gorse_coord)(y - size / 4), (gorse_coord)(x + size), (gorse_coord)(y + size / 4 + 1), colour);
        draw_triangle(c, (gorse_coord)(x - size / 2), y, size, GORSE_SIDE_LEFT, colour);
        break;
    case GORSE_TYPED_SHIFT:
        draw_triangle(c, x, y, size, GORSE_SIDE_ABOVE, colour);
        if (capitals == GORSE_SHIFT_LOCKED)
            fill(c, (gorse_coord)(x - size), (gorse_coord)(y + size / 2 + 2), (gorse_coord)(x + size),
                 (gorse_coord)(y + size / 2 + 4), colour);
        break;
    case GORSE_TYPED_NEW_LINE: draw_triangle(c, x, y, size, GORSE_SIDE_BELOW, colour); break;
    case GORSE_TYPED_LEFT: draw_triangle(c, x, y, size, GORSE_SIDE_LEFT, colour); break;
    case GORSE_TYPED_RIGHT: draw_triangle(c, x, y, size, GORSE_SIDE_RIGHT, colour); break;
    default: /* a space */
        fill(c, (gorse_coord)(x - size), (gorse_coord)(y + size / 2), (gorse_coord)(x + size),
             (gorse_coord)(y + size / 2 + 2), colour);
        break;
    }
}

/* The face of a key; returns the colour of what is on it. */
static gorse_colour draw_face(const gorse_canvas *c, const gorse_widget_keyboard *keyboard, const gorse_look *look,
                              const gorse_rect *box, uint8_t stands_out, uint8_t selected) {
    const uint8_t mixes = (uint8_t)(c->format->flags & GORSE_FORMAT_MIXES);
    const gorse_colour on = (gorse_colour)keyboard->form[0];
    gorse_look face = *look;
    gorse_rect area = *box;
    gorse_shrink(&area, GAP);
    face.border_width = selected != 0u && stands_out == 0u ? 2 : 0;
    face.border = on;
    face.fill = mixes != 0u ? (look->text & 0x00ffffffu) | 0x1c000000u : 0;
    if (stands_out != 0u)
        face.fill = mixes != 0u ? on : look->text;
    if (mixes == 0u && selected != 0u) {
        face.border_width = 0;
        face.fill = look->text;
    }
    gorse_draw_box(c, &area, &face);
    if (gorse_alpha(face.fill) == 255u)
        return gorse_alpha(look->fill) != 0u ? look->fill | 0xff000000u : 0xff000000u;
    return look->text;
}

static void draw_label(const gorse_canvas *c, const gorse_look *look, const gorse_rect *box, gorse_text_source text,
                       gorse_colour colour) {
    gorse_canvas inside = *c;
    gorse_text_box where;
    where.box = *box;
    where.align = where.place = GORSE_ALIGN_MIDDLE;
    where.wrap = 0;
    if (gorse_clip(&inside.clip, box) != 0u)
        gorse_draw_text(&inside, text, &where, look->font, colour);
}

static GORSE_OWN_FRAME void draw_key(const gorse_canvas *c, const gorse_widget_keyboard *keyboard,
                                     const gorse_look *look, const gorse_found_key *k, uint8_t pressed) {
    const gorse *g = c->run;
    const gorse_typing *typing = gorse_typing_of(g);
    const uint8_t code = k->text[0];
    char label[GORSE_KEY_LABEL];
    gorse_text_source text;
    gorse_colour colour;
    uint8_t stands_out = (uint8_t)(pressed == k->number), selected;
    selected = (uint8_t)(typing->key == k->number && (keyboard->turns | g->scene->controls->has_focus) != 0u);
    if ((code == GORSE_TYPED_SHIFT && typing->capitals != GORSE_SHIFT_OFF) ||
        (code == GORSE_TYPED_DONE && (c->format->flags & GORSE_FORMAT_MIXES) != 0u && stands_out == 0u))
        stands_out = 1;
    colour = draw_face(c, keyboard, look, &k->box, stands_out, selected);
    text = gorse_key_label(g, keyboard, k, label);
    if (gorse_text_byte(text, 0) != 0u)
        draw_label(c, look, &k->box, text, colour);
    else
        draw_sign(c, &k->box, code, typing->capitals, gorse_max(3, (gorse_coord)(look->font->line_height / 3)), colour);
}

/* The letters that a held key offers. */
static GORSE_OWN_FRAME void draw_choices(const gorse_canvas *c, const gorse_widget_keyboard *keyboard,
                                         const gorse_look *look) {
    const gorse_typing *typing = gorse_typing_of(c->run);
    gorse_look tray = *look;
    gorse_rect box, each;
    gorse_coord width;
    gorse_found_key k;
    uint8_t i;
    if (typing->offers == 0u || gorse_find_key(c->run, keyboard, typing->pressed, &k) == 0u)
        return;
    width = gorse_place_choices(keyboard, &k, typing->offers, &box);
    tray.border_width = 1;
    tray.border = look->text;
    gorse_draw_box(c, &box, &tray);
    each = box;
    for (i = 0; i < typing->offers; i++) {
        char label[GORSE_KEY_LABEL];
        each.x0 = (gorse_coord)(box.x0 + width * i);
        each.x1 = (gorse_coord)(each.x0 + width);
        label[gorse_put_character(gorse_in_case(c->run, gorse_key_character(&k, i)), label)] = 0;
        draw_label(c, look, &each, gorse_plain_text(label),
                   draw_face(c, keyboard, look, &each, (uint8_t)(i == typing->choice), 0));
    }
}

static GORSE_OWN_FRAME void draw_turning(const gorse_canvas *c, const gorse_widget_keyboard *keyboard,
                                         const gorse_look *look, uint8_t pressed) {
    const int16_t reach = gorse_turned_reach(keyboard, look, gorse_count_keys(c->run, keyboard));
    int16_t way;
    gorse_found_key k;
    for (way = (int16_t)-reach; way <= reach; way++) {
        gorse_turned_key(c->run, keyboard, look, way, &k);
        if (k.box.x1 > c->clip.x0 && k.box.x0 < c->clip.x1)
            draw_key(c, keyboard, look, &k, pressed);
    }
}

void gorse_draw_keyboard(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_keyboard *keyboard = gorse_keyboard_of(widget);
    const gorse_head *head = gorse_head_of(c->run);
    uint8_t pressed = GORSE_NO_KEY;
    gorse_rect box;
    gorse_key_walk w;
    gorse_found_key k;
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
    if (look->font == 0)
        return;
    if (head->inside != 0u && head->pressed == gorse_typing_of(c->run)->keyboard)
        pressed = gorse_typing_of(c->run)->pressed;
    if (keyboard->turns != 0u) {
        draw_turning(c, keyboard, look, pressed);
        return;
    }
    gorse_begin_keys(keyboard, gorse_typing_of(c->run)->page, &w);
    while (gorse_next_key(&w, &k) != 0u)
        if (k.box.y1 > c->clip.y0 && k.box.y0 < c->clip.y1 && k.box.x1 > c->clip.x0 && k.box.x0 < c->clip.x1)
            draw_key(c, keyboard, look, &k, pressed);
    draw_choices(c, keyboard, look);
}
