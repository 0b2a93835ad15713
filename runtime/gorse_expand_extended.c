/* SPDX-License-Identifier: MIT */
/* The insets that many interfaces do without: times, texts, yes and no. */
#include "gorse_internal.h"

static void put_clock(gorse_writer *to, uint32_t seconds, uint8_t parts, uint8_t min, uint8_t negative) {
    uint32_t minutes = seconds / 60u;
    if (negative != 0u && seconds != 0u)
        gorse_put(to, '-');
    if (parts == 3u) {
        gorse_put_digits(to, minutes / 60u, min, 0, 0, 0);
        gorse_put(to, ':');
        minutes %= 60u;
        min = 2;
    }
    gorse_put_digits(to, minutes, min, 0, 0, 0);
    gorse_put(to, ':');
    gorse_put_digits(to, seconds % 60u, 2, 0, 0, 0);
}

/* The name of a number, of those between `names` and `end`. */
static void put_name(gorse_writer *to, const GORSE_ROM uint8_t *names, const GORSE_ROM uint8_t *end, int32_t number) {
    while (number > 1 && names != end)
        if (*names++ == 0u)
            number--;
    if (names != end && number == 1)
        gorse_put_text(to, gorse_rom_text(names));
}

void gorse_extended_forms(const gorse *g, gorse_writer *to, const GORSE_ROM uint8_t *inset, int32_t value) {
    static const GORSE_ROM uint8_t yes[] = "yes";
    static const GORSE_ROM uint8_t no[] = "no";
    uint8_t form = inset[0];
    uint8_t negative = (uint8_t)(value < 0);
    uint32_t size = negative != 0u ? 0u - (uint32_t)value : (uint32_t)value;
    if (form == GORSE_FORM_TEXT)
        gorse_put_text(to, gorse_text_by_value(g, value));
    else if (form == GORSE_FORM_YES_NO)
        gorse_put_text(to, gorse_rom_text(value != 0 ? yes : no));
    else if (form == GORSE_FORM_NAME)
        put_name(to, inset + 5 + inset[1], inset + 5 + inset[4], value);
    else
        put_clock(to, size / gorse_power_of_ten(inset[3]), inset[1], inset[2], negative);
}
