/* SPDX-License-Identifier: GPL-3.0-or-later */
/* Runs generated code through the script in script.h and writes the panel's memory to a file after every step. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "script.h"

/* Bytes of w pixels of a row, or of a page of 8 rows. */
#define ROW_BYTES(w) (PANEL_PAGES ? (unsigned long)(w) : ((unsigned long)(w)*PANEL_BITS + 7ul) / 8ul)
#define LINES (PANEL_PAGES ? (PANEL_ROWS + 7) / 8 : PANEL_ROWS)

static unsigned char memory[ROW_BYTES(PANEL_COLUMNS) * LINES];

void PROJECT(flush)(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, uint32_t count) {
    unsigned unit = PANEL_PAGES ? 8u : 1u;
    unsigned row;
    if (count != ROW_BYTES(w) * (h / unit))
        exit(5);
    for (row = 0; row < h / unit; row++)
        memcpy(memory + (y / unit + row) * ROW_BYTES(PANEL_COLUMNS) + ROW_BYTES(x), bytes + row * ROW_BYTES(w),
               ROW_BYTES(w));
}

static void give(FILE *out) { fwrite(memory, 1, sizeof memory, out); }

#ifdef HAS_OUTSIDE
/* The outside memory of script.h, and the erased bytes behind it. */
void PROJECT(read)(uint32_t address, uint8_t *to, uint16_t n) {
    for (; n-- != 0u; address++)
        *to++ = address < sizeof outside ? outside[address] : 0xff;
}
#endif

int main(int count, char **words) {
    FILE *out = fopen(count > 1 ? words[1] : "frames.bin", "wb");
    uint32_t now = 0;
    int i;
    if (out == 0 || PROJECT(begin)() != GORSE_RESULT_OK)
        return 3;
    PROJECT(step)(now);
    give(out);
    for (i = 0; i < STEPS; i++) {
        if (steps[i].what == 1)
            set_variable(i);
#ifdef HAS_TOUCH
        else if (steps[i].what >= 2)
            PROJECT(touch)(steps[i].x, steps[i].y, steps[i].what == 3);
#endif
        now += steps[i].ms;
        PROJECT(step)(now);
        give(out);
    }
    return fclose(out) == 0 ? 0 : 4;
}
