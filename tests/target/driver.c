/* SPDX-License-Identifier: GPL-3.0-or-later */
/* Runs generated code through the script in script.h and writes the panel's memory to a file after every step. */
#include <stdio.h>
#include <string.h>

#include "script.h"

#define COLUMNS PANEL_COLUMNS
/* Pages hold 8 rows. */
#define STORED_ROWS (PANEL_BITS == 1 ? (PANEL_ROWS + 7) / 8 * 8 : PANEL_ROWS)

static unsigned char memory[(unsigned long)COLUMNS * STORED_ROWS * PANEL_BITS / 8];

void PROJECT(flush)(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes) {
    unsigned long cell = PANEL_BITS == 1 ? 1ul : PANEL_BITS / 8ul;
    unsigned unit = PANEL_BITS == 1 ? 8u : 1u;
    unsigned row;
    for (row = 0; row < h / unit; row++)
        memcpy(memory + ((unsigned long)(y / unit + row) * COLUMNS + x) * cell, bytes + (unsigned long)row * w * cell,
               w * cell);
}

static void give(FILE *out) { fwrite(memory, 1, (size_t)COLUMNS * STORED_ROWS * PANEL_BITS / 8, out); }

int main(int count, char **words) {
    FILE *out = fopen(count > 1 ? words[1] : "frames.bin", "wb");
    uint32_t now = 0;
    int i;
    if (out == 0 || PROJECT(begin)() != 0)
        return 3;
    PROJECT(step)(now);
    give(out);
    for (i = 0; i < STEPS; i++) {
        if (steps[i].what == 1)
            set_variable(i);
        else if (steps[i].what >= 2)
            PROJECT(touch)(steps[i].x, steps[i].y, steps[i].what == 3);
        now += steps[i].ms;
        PROJECT(step)(now);
        give(out);
    }
    return fclose(out) == 0 ? 0 : 4;
}
