/* SPDX-License-Identifier: MIT */
/* Turns a text with insets into what is shown: numbers with their decimals, times, texts. */
#include <string.h>

#include "gorse_internal.h"

typedef struct writer {
    char *out;
    uint8_t at, room; /* room: bytes that may be written before the closing zero */
    uint8_t full;
} writer;

static void put(writer *w, uint8_t byte) {
    if (w->at < w->room)
        w->out[w->at++] = (char)byte;
    else
        w->full = 1;
}

static uint32_t power_of_ten(uint8_t exponent) {
    uint32_t value = 1;
    while (exponent-- != 0u)
        value *= 10u;
    return value;
}

static void put_digits(writer *w, uint32_t value, uint8_t least) {
    char digits[12];
    uint8_t count = 0;
    do {
        digits[count++] = (char)('0' + (char)(value % 10u));
        value /= 10u;
    } while (value != 0u);
    while (least > count) {
        put(w, '0');
        least--;
    }
    while (count != 0u)
        put(w, (uint8_t)digits[--count]);
}

/* `value` counts 10^-scale; shown with `decimals`, rounded to the nearest, halves away from zero. */
static void put_number(writer *w, int32_t value, uint8_t scale, uint8_t digits, uint8_t decimals) {
    uint32_t size = value < 0 ? 0u - (uint32_t)value : (uint32_t)value;
    uint32_t divisor;
    if (scale > decimals) {
        divisor = power_of_ten((uint8_t)(scale - decimals));
        size = size / divisor + (size % divisor >= divisor - divisor / 2u ? 1u : 0u);
        scale = decimals;
    }
    if (value < 0 && size != 0u)
        put(w, '-');
    divisor = power_of_ten(scale);
    put_digits(w, size / divisor, digits);
    if (decimals == 0u)
        return;
    put(w, '.');
    if (scale != 0u)
        put_digits(w, size % divisor, scale);
    while (decimals > scale) {
        put(w, '0');
        decimals--;
    }
}

static void put_clock(writer *w, int32_t value, uint8_t scale, uint8_t parts, uint8_t least) {
    uint32_t seconds = (value < 0 ? 0u - (uint32_t)value : (uint32_t)value) / power_of_ten(scale);
    if (value < 0 && seconds != 0u)
        put(w, '-');
    if (parts == 3u) {
        put_digits(w, seconds / 3600u, least);
        put(w, ':');
        put_digits(w, seconds / 60u % 60u, 2);
    } else {
        put_digits(w, seconds / 60u, least);
    }
    put(w, ':');
    put_digits(w, seconds % 60u, 2);
}

static void put_text(writer *w, gorse_text_source text) {
    uint16_t at;
    uint8_t byte;
    for (at = 0; (byte = gorse_text_byte(text, at)) != 0u; at++)
        put(w, byte);
}

static void put_inset(gorse *g, writer *w, const GORSE_ROM uint8_t *inset) {
    int32_t value = gorse_run(g, inset + 5, GORSE_NONE);
    static const GORSE_ROM uint8_t yes[] = "yes";
    static const GORSE_ROM uint8_t no[] = "no";
    gorse_text_source word;
    switch (inset[0]) {
    case GORSE_FORM_TEXT:
        put_text(w, gorse_text_by_value(g, value));
        break;
    case GORSE_FORM_YES_NO:
        word.plain = 0;
        word.rom = value != 0 ? yes : no;
        put_text(w, word);
        break;
    case GORSE_FORM_CLOCK:
        put_clock(w, value, inset[3], inset[1], inset[2]);
        break;
    default:
        put_number(w, value, inset[3], inset[1], inset[2]);
        break;
    }
}

/* Takes back the bytes of a character that was cut. */
static uint8_t whole_characters(const char *text, uint8_t length) {
    uint8_t start = length, need;
    uint8_t first;
    while (start > 0u && ((uint8_t)text[start - 1u] & 0xc0u) == 0x80u)
        start--;
    if (start == 0u)
        return length;
    first = (uint8_t)text[start - 1u];
    need = first < 0xc0u ? 0u : first < 0xe0u ? 1u : first < 0xf0u ? 2u : 3u;
    return (uint8_t)(length - start) < need ? (uint8_t)(start - 1u) : length;
}

void gorse_expand(gorse *g, const GORSE_ROM uint8_t *text, char *out, uint8_t capacity) {
    writer w;
    uint16_t most = GORSE_TEXT;
    w.out = out;
    w.at = 0;
    w.room = (uint8_t)((capacity < most ? capacity : most) - 1u);
    w.full = 0;
    while (text != 0 && *text != 0u && w.full == 0u) {
        if (*text == GORSE_INSET) {
            put_inset(g, &w, text + 1);
            text += 6u + text[5];
        } else {
            put(&w, *text);
            text++;
        }
    }
    if (w.full != 0u)
        w.at = whole_characters(out, w.at);
    out[w.at] = 0;
}
