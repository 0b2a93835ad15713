/* SPDX-License-Identifier: MIT */
/* Turns a text with insets into what is shown. */
#include "gorse_internal.h"

enum { GORSE_MAX_DIGITS = 20 }; /* with the point; the generator writes at most 10 before and 6 behind it */

/* The first byte that finds no room takes back the character that it belongs to. */
void gorse_put(gorse_writer *to, uint8_t byte) {
    if (to->at < to->room) {
        to->out[to->at++] = (char)byte;
        return;
    }
    while (to->room != 0u && to->at != 0u && (byte & 0xc0u) == 0x80u)
        byte = (uint8_t)to->out[--to->at];
    to->room = 0;
}

void gorse_put_text(gorse_writer *to, gorse_text_source text) {
    uint16_t at;
    uint8_t byte;
    for (at = 0; (byte = gorse_text_byte(text, at)) != 0u; at++)
        gorse_put(to, byte);
}

uint32_t gorse_power_of_ten(uint8_t exponent) {
    uint32_t value = 1;
    while (exponent-- != 0u)
        value *= 10u;
    return value;
}

void gorse_put_digits(gorse_writer *to, uint32_t size, uint8_t min, uint8_t decimals, uint8_t zeros, uint8_t negative) {
    char reversed[GORSE_MAX_DIGITS + 1];
    uint_fast8_t at = 0, count = 0;
    if (negative != 0u && size != 0u)
        gorse_put(to, '-');
    do {
        uint_fast8_t digit = 0;
        if (count == decimals && count != 0u)
            reversed[at++] = '.';
        if (count >= zeros) {
            digit = (uint_fast8_t)(size % 10u);
            size /= 10u;
        }
        reversed[at++] = (char)('0' + (char)digit);
        count++;
    } while ((size != 0u || count < (uint_fast8_t)(decimals + min)) && at < GORSE_MAX_DIGITS);
    while (at != 0u)
        gorse_put(to, (uint8_t)reversed[--at]);
}

/* `value` counts 10^-scale; shown with `decimals`, rounded to the nearest, halves away from zero. */
static void put_number(gorse_writer *to, int32_t value, uint8_t scale, uint8_t digits, uint8_t decimals) {
    uint8_t negative = (uint8_t)(value < 0);
    uint32_t size = negative != 0u ? 0u - (uint32_t)value : (uint32_t)value;
    uint_fast8_t zeros = 0;
    if (scale > decimals) {
        uint32_t divisor = gorse_power_of_ten((uint8_t)(scale - decimals));
        size = (size + divisor / 2u) / divisor;
    } else {
        zeros = (uint_fast8_t)(decimals - scale);
    }
    gorse_put_digits(to, size, digits, decimals, (uint8_t)zeros, negative);
}

static void put_template(gorse *g, gorse_writer *to, const GORSE_ROM uint8_t *text) {
    uint8_t byte;
    while (text != 0 && (byte = *text++) != 0u) {
        int32_t value;
        if (byte != GORSE_TEXT_INSET) {
            gorse_put(to, byte);
            continue;
        }
        value = gorse_execute(g, text + 5, GORSE_NONE);
        if (text[0] == GORSE_FORM_NUMBER)
            put_number(to, value, text[3], text[1], text[2]);
        else
            g->scene->forms(g, to, text, value);
        text += 5u + text[4];
    }
}

static void start(gorse_writer *to, char *out, uint8_t capacity) {
    to->out = out;
    to->at = 0;
    to->room = (uint8_t)(capacity - 1u);
}

void gorse_expand(gorse *g, const GORSE_ROM uint8_t *text, char *out, uint8_t capacity) {
    gorse_writer to;
    start(&to, out, capacity);
    put_template(g, &to, text);
    out[to.at] = 0;
}

const char *gorse_copy_text(gorse *g, int32_t value) {
    char *out = gorse_scratch(g);
    gorse_writer to;
    GORSE_ASSERT(g->scene->scratch_bytes != 0u);
    start(&to, out, g->scene->scratch_bytes);
    if (gorse_is_string(value) != 0u)
        put_template(g, &to, gorse_string(g, value));
    else
        gorse_put_text(&to, gorse_text_by_value(g, value));
    out[to.at] = 0;
    return out;
}
