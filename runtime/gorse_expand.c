/* SPDX-License-Identifier: MIT */
/* Turns a text with insets into what is shown: numbers with their decimals, times, texts. */
#include "gorse_internal.h"

enum { GORSE_MOST_DIGITS = 20 }; /* with the point; the generator writes at most 10 before and 6 behind it */

typedef struct writer {
    char *out;
    uint8_t at, room; /* room: bytes that may be written before the closing zero; 0 once something was cut */
} writer;

/* The first byte that finds no room takes back the character that it belongs to. */
static void put(writer *w, uint8_t byte) {
    if (w->at < w->room) {
        w->out[w->at++] = (char)byte;
        return;
    }
    while (w->room != 0u && w->at != 0u && (byte & 0xc0u) == 0x80u)
        byte = (uint8_t)w->out[--w->at];
    w->room = 0;
}

static void put_text(writer *w, gorse_text_source text) {
    uint16_t at;
    uint8_t byte;
    for (at = 0; (byte = gorse_text_byte(text, at)) != 0u; at++)
        put(w, byte);
}

static uint32_t power_of_ten(uint8_t exponent) {
    uint32_t value = 1;
    while (exponent-- != 0u)
        value *= 10u;
    return value;
}

/* At least `least` digits before the point and `decimals` behind it, of which the last `zeros` are not in `size`. */
static void put_digits(writer *w, uint32_t size, uint8_t least, uint8_t decimals, uint8_t zeros) {
    char reversed[GORSE_MOST_DIGITS + 1];
    uint8_t at = 0, count = 0;
    do {
        uint8_t digit = 0;
        if (count == decimals && count != 0u)
            reversed[at++] = '.';
        if (count >= zeros) {
            digit = (uint8_t)(size % 10u);
            size /= 10u;
        }
        reversed[at++] = (char)('0' + (char)digit);
        count++;
    } while ((size != 0u || count < (uint8_t)(decimals + least)) && at < GORSE_MOST_DIGITS);
    while (at != 0u)
        put(w, (uint8_t)reversed[--at]);
}

/* `size` counts 10^-scale; shown with `decimals`, rounded to the nearest, halves away from zero. */
static void put_number(writer *w, uint32_t size, uint8_t scale, uint8_t digits, uint8_t decimals, uint8_t negative) {
    uint8_t zeros = 0;
    if (scale > decimals) {
        uint32_t divisor = power_of_ten((uint8_t)(scale - decimals));
        size = (size + divisor / 2u) / divisor;
    } else {
        zeros = (uint8_t)(decimals - scale);
    }
    if (negative != 0u && size != 0u)
        put(w, '-');
    put_digits(w, size, digits, decimals, zeros);
}

static void put_clock(writer *w, uint32_t seconds, uint8_t parts, uint8_t least, uint8_t negative) {
    uint32_t minutes = seconds / 60u;
    if (negative != 0u && seconds != 0u)
        put(w, '-');
    if (parts == 3u) {
        put_digits(w, minutes / 60u, least, 0, 0);
        put(w, ':');
        minutes %= 60u;
        least = 2;
    }
    put_digits(w, minutes, least, 0, 0);
    put(w, ':');
    put_digits(w, seconds % 60u, 2, 0, 0);
}

static void put_inset(gorse *g, writer *w, const GORSE_ROM uint8_t *inset) {
    static const GORSE_ROM uint8_t yes[] = "yes";
    static const GORSE_ROM uint8_t no[] = "no";
    int32_t value = gorse_run(g, inset + 5, GORSE_NONE);
    uint8_t form = inset[0], digits = inset[1], decimals = inset[2], scale = inset[3];
    uint8_t negative = (uint8_t)(value < 0);
    uint32_t size = negative != 0u ? 0u - (uint32_t)value : (uint32_t)value;
    if (form == GORSE_FORM_TEXT)
        put_text(w, gorse_text_by_value(g, value));
    else if (form == GORSE_FORM_YES_NO)
        put_text(w, gorse_rom_text(value != 0 ? yes : no));
    else if (form == GORSE_FORM_CLOCK)
        put_clock(w, size / power_of_ten(scale), digits, decimals, negative);
    else
        put_number(w, size, scale, digits, decimals, negative);
}

static void put_template(gorse *g, writer *w, const GORSE_ROM uint8_t *text) {
    uint8_t byte;
    while (text != 0 && (byte = *text) != 0u) {
        text++;
        if (byte == GORSE_INSET) {
            put_inset(g, w, text);
            text += 5u + text[4];
        } else {
            put(w, byte);
        }
    }
}

static writer start(char *out, uint8_t capacity) {
    writer w;
    uint16_t most = GORSE_TEXT;
    w.out = out;
    w.at = 0;
    w.room = (uint8_t)((capacity < most ? capacity : most) - 1u);
    return w;
}

void gorse_expand(gorse *g, const GORSE_ROM uint8_t *text, char *out, uint8_t capacity) {
    writer w = start(out, capacity);
    put_template(g, &w, text);
    out[w.at] = 0;
}

void gorse_copy_text(gorse *g, int32_t value, char *out) {
    writer w = start(out, 255);
    if (gorse_is_string(value) != 0u)
        put_template(g, &w, gorse_string(g, value));
    else
        put_text(&w, gorse_text_by_value(g, value));
    out[w.at] = 0;
}
