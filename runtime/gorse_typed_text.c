/* SPDX-License-Identifier: MIT */
/* The text that is typed: its characters and its cursor. */
#include "gorse_typing.h"

/* What is typed looks different now. */
void gorse_show_typed(gorse *g) {
    gorse_show_cursor(g);
    gorse_dirty_number(g, gorse_typing_of(g)->field);
}

/* The field's variable becomes what was typed. */
void gorse_take_over(gorse *g, const gorse_widget_field *field) {
    const gorse_typing *typing = gorse_typing_of(g);
    const uint16_t number = typing->field;
    if (field->variable == GORSE_NONE || strcmp(gorse_text_value(g, field->variable), gorse_typed_text(g)) == 0)
        return;
    (void)gorse_set_text(g, field->variable, gorse_typed_text(g));
    if (g->port.changed != 0)
        g->port.changed(g->port.user, (uint16_t)(g->scene->number_count + field->variable));
    gorse_event(g, GORSE_EVENT_CHANGE, number);
}

/* The byte behind the character at `at`, or where the one in front of it begins. */
static uint8_t next_of(const char *text, uint8_t at) {
    if (text[at] == 0)
        return at;
    do
        at++;
    while (((uint8_t)text[at] & 0xc0u) == 0x80u);
    return at;
}

static uint8_t before(const char *text, uint8_t at) {
    if (at == 0u)
        return 0;
    do
        at--;
    while (at != 0u && ((uint8_t)text[at] & 0xc0u) == 0x80u);
    return at;
}

static uint8_t count_characters(const char *text) {
    uint8_t count = 0, at = 0;
    for (; text[at] != 0; at = next_of(text, at))
        count++;
    return count;
}

static uint8_t is_letter(uint32_t c) {
    return (uint8_t)((c >= 'A' && c <= 'Z') || (c >= 'a' && c <= 'z') || c == ' ' || c == '-' || c == '\'' ||
                     c == '.' || (c >= 0xc0u && c != 0xd7u && c != 0xf7u));
}

static uint8_t is_allowed(const gorse_widget_field *field, uint32_t character) {
    gorse_text_source all;
    uint16_t at = 0;
    uint32_t each;
    if (character == GORSE_TYPED_NEW_LINE)
        return (uint8_t)(field->lines > 1u);
    if (character < 32u || character == 127u || (character >= 0xd800u && character < 0xe000u) || character > 0x10ffffu)
        return 0;
    if ((field->flags & GORSE_FIELD_LETTERS) != 0u)
        return is_letter(character);
    if (field->allowed == 0)
        return 1;
    all = gorse_rom_text(field->allowed);
    while ((each = gorse_next_character(all, &at)) != 0u)
        if (each == character)
            return 1;
    return 0;
}

static void changed(gorse *g, const gorse_widget_field *field) {
    if ((field->flags & GORSE_FIELD_LIVE) != 0u)
        gorse_take_over(g, field);
    if (gorse_is_typed_into(g, gorse_typing_of(g)->field) != 0u)
        gorse_show_typed(g);
}

static void insert(gorse *g, const gorse_widget_field *field, uint32_t character) {
    gorse_typing *typing = gorse_typing_of(g);
    char *text = gorse_typed_text(g);
    char bytes[4];
    uint8_t count, room = g->scene->controls->typing_bytes;
    if (is_allowed(field, character) == 0u || count_characters(text) >= field->max_length)
        return;
    if (field->variable != GORSE_NONE)
        room = g->scene->texts[field->variable].capacity;
    count = gorse_put_character(character, bytes);
    if ((uint16_t)typing->length + count >= room)
        return;
    memmove(text + typing->cursor + count, text + typing->cursor, (size_t)(typing->length - typing->cursor) + 1u);
    memcpy(text + typing->cursor, bytes, count);
    typing->length = (uint8_t)(typing->length + count);
    typing->cursor = (uint8_t)(typing->cursor + count);
    typing->typed = gorse_head_of(g)->now;
    typing->shows = (uint8_t)(field->flags & GORSE_FIELD_SECRET);
    changed(g, field);
}

static void erase(gorse *g, const gorse_widget_field *field) {
    gorse_typing *typing = gorse_typing_of(g);
    char *text = gorse_typed_text(g);
    const uint8_t from = before(text, typing->cursor), count = (uint8_t)(typing->cursor - from);
    if (count == 0u)
        return;
    memmove(text + from, text + typing->cursor, (size_t)(typing->length - typing->cursor) + 1u);
    typing->length = (uint8_t)(typing->length - count);
    typing->cursor = from;
    typing->shows = 0;
    changed(g, field);
}

static void move_cursor(gorse *g, int8_t way) {
    gorse_typing *typing = gorse_typing_of(g);
    const char *text = gorse_typed_text(g);
    typing->cursor = way < 0 ? before(text, typing->cursor) : next_of(text, typing->cursor);
    typing->shows = 0;
    gorse_show_typed(g);
}

void gorse_type(gorse *g, uint32_t character) {
    gorse_widget_field field;
    if (gorse_is_typing(g) == 0u)
        return;
    gorse_hear_input(g);
    gorse_read_field(g, gorse_typing_of(g)->field, &field);
    switch (character) {
    case GORSE_TYPED_DELETE: erase(g, &field); break;
    case GORSE_TYPED_CANCEL: gorse_end_typing(g, 0); break;
    case GORSE_TYPED_LEFT: move_cursor(g, -1); break;
    case GORSE_TYPED_RIGHT: move_cursor(g, 1); break;
    case GORSE_TYPED_NEW_LINE:
        if (field.lines > 1u)
            insert(g, &field, character);
        else
            gorse_end_typing(g, 1);
        break;
    case GORSE_TYPED_DONE: gorse_end_typing(g, 1); break;
    default: insert(g, &field, character); break;
    }
}

uint8_t gorse_put_character(uint32_t c, char *out) {
    if (c < 0x80u) {
        out[0] = (char)c;
        return 1;
    }
    if (c < 0x800u) {
        out[0] = (char)(0xc0u | (c >> 6));
        out[1] = (char)(0x80u | (c & 0x3fu));
        return 2;
    }
    if (c < 0x10000u) {
        out[0] = (char)(0xe0u | (c >> 12));
        out[1] = (char)(0x80u | ((c >> 6) & 0x3fu));
        out[2] = (char)(0x80u | (c & 0x3fu));
        return 3;
    }
    out[0] = (char)(0xf0u | (c >> 18));
    out[1] = (char)(0x80u | ((c >> 12) & 0x3fu));
    out[2] = (char)(0x80u | ((c >> 6) & 0x3fu));
    out[3] = (char)(0x80u | (c & 0x3fu));
    return 4;
}

uint32_t gorse_capital(uint32_t c) {
    if ((c >= 'a' && c <= 'z') || (c >= 0xe0u && c <= 0xfeu && c != 0xf7u) ||
        (c >= 0x3b1u && c <= 0x3c9u && c != 0x3c2u) || (c >= 0x430u && c <= 0x44fu))
        return c - 32u;
    if (c >= 0x450u && c <= 0x45fu)
        return c - 80u;
    /* Latin letters in pairs. */
    if (((c >= 0x101u && c <= 0x137u && c != 0x131u) || (c >= 0x14bu && c <= 0x177u)) && (c & 1u) != 0u)
        return c - 1u;
    if (((c >= 0x13au && c <= 0x148u) || (c >= 0x17au && c <= 0x17eu)) && (c & 1u) == 0u)
        return c - 1u;
    return c;
}
