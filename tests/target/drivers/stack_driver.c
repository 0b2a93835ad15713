/* SPDX-License-Identifier: GPL-3.0-or-later */
/* Runs generated code through the script in script.h and writes how many bytes of stack its deepest call took to a
 * file: each call finds the stack below it filled with a pattern. The firmware's own functions are empty. */
#include <stdio.h>
#include <string.h>

#include "script.h"

enum { ROOM = 4096, PATTERN = 0xa5 };

void PROJECT(flush)(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, uint32_t count) {
    (void)x, (void)y, (void)w, (void)h, (void)bytes, (void)count;
}

#ifdef HAS_OUTSIDE
void PROJECT(read)(uint32_t address, uint8_t *to, uint16_t n) {
    for (; n-- != 0u; address++)
        *to++ = address < sizeof outside ? outside[address] : 0xff;
}
#endif

/* The address of the last byte that main has on the stack, as its calls find it. */
static unsigned char *top;
static unsigned long deepest;

static unsigned char *stack_now(void) {
    unsigned char *now;
    __asm__ volatile("mov %0, sp" : "=r"(now));
    return now;
}

static __attribute__((always_inline)) inline void fill(void) {
    unsigned char *at;
    top = stack_now();
    for (at = top - ROOM; at < top; at++)
        *(volatile unsigned char *)at = PATTERN;
}

static __attribute__((always_inline)) inline void look(void) {
    const volatile unsigned char *at = top - ROOM;
    while (at < top && *at == PATTERN)
        at++;
    if ((unsigned long)(top - at) > deepest)
        deepest = (unsigned long)(top - at);
}

int main(int count, char **words) {
    uint32_t now = 0;
    int i;
    FILE *out;
    fill();
    if (PROJECT(begin)() != GORSE_RESULT_OK)
        return 3;
    look();
    for (i = -1; i < STEPS; i++) {
        if (i >= 0 && steps[i].what == 1) {
            fill();
            set_variable(i);
            look();
        }
#ifdef HAS_TOUCH
        if (i >= 0 && steps[i].what >= 2) {
            fill();
            PROJECT(touch)(steps[i].x, steps[i].y, steps[i].what == 3);
            look();
        }
#endif
        if (i >= 0)
            now += steps[i].ms;
        fill();
        PROJECT(step)(now);
        look();
    }
    out = fopen(count > 1 ? words[1] : "stack.txt", "w");
    if (out == 0 || deepest >= ROOM)
        return 4;
    fprintf(out, "%lu\n", deepest);
    return fclose(out) == 0 ? 0 : 5;
}
