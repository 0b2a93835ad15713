/* SPDX-License-Identifier: GPL-3.0-or-later */
/* The driver for the 8-bit controller: its RAM can't hold the panel's memory, so each flush goes out through a spare
 * register as x, y, w, h and the bytes; 255 ends a step. */
#include <stdint.h>

#include "script.h"

/* The runner listens to these two. */
#define SPARE (*(volatile uint8_t *)0x3e)
#define ENDED (*(volatile uint8_t *)0x4a)

void PROJECT(flush)(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, uint32_t count) {
    uint16_t n = (uint16_t)count;
    if (count != (uint32_t)w * (h / 8u))
        ENDED = 1;
    SPARE = (uint8_t)x;
    SPARE = (uint8_t)y;
    SPARE = (uint8_t)w;
    SPARE = (uint8_t)h;
    while (n-- != 0)
        SPARE = *bytes++;
}

int main(void) {
    uint32_t now = 0;
    int i;
    if (PROJECT(begin)() != GORSE_RESULT_OK)
        ENDED = 1;
    PROJECT(step)(now);
    SPARE = 255;
    for (i = 0; i < STEPS; i++) {
        if (steps[i].what == 1)
            set_variable(i);
#ifdef HAS_TOUCH
        else if (steps[i].what >= 2)
            PROJECT(touch)(steps[i].x, steps[i].y, steps[i].what == 3);
#endif
        now += steps[i].ms;
        PROJECT(step)(now);
        SPARE = 255;
    }
    ENDED = 0;
    for (;;) {
    }
}
