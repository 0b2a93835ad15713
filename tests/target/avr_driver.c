/* SPDX-License-Identifier: GPL-3.0-or-later */
/* The driver for the 8-bit controller: its RAM can't hold the panel's memory, so each flush goes out through a spare
 * register as x, y, w, h and the bytes; 255 ends a step. */
#include <avr/io.h>
#include <stdint.h>

#include "script.h"

void PROJECT(flush)(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes) {
    uint16_t n = (uint16_t)(w * (h / 8u));
    GPIOR0 = (uint8_t)x;
    GPIOR0 = (uint8_t)y;
    GPIOR0 = (uint8_t)w;
    GPIOR0 = (uint8_t)h;
    while (n-- != 0)
        GPIOR0 = *bytes++;
}

int main(void) {
    uint32_t now = 0;
    int i;
    if (PROJECT(begin)() != 0)
        GPIOR1 = 1;
    PROJECT(step)(now);
    GPIOR0 = 255;
    for (i = 0; i < STEPS; i++) {
        if (steps[i].what == 1)
            set_variable(i);
        else if (steps[i].what >= 2)
            PROJECT(touch)(steps[i].x, steps[i].y, steps[i].what == 3);
        now += steps[i].ms;
        PROJECT(step)(now);
        GPIOR0 = 255;
    }
    GPIOR1 = 0;
    for (;;) {
    }
}
