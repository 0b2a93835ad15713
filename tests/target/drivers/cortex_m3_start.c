/* SPDX-License-Identifier: GPL-3.0-or-later */
/* The least that an emulated Cortex-M3 needs to reach the C library's start. */
extern unsigned long stack_top;
extern void _start(void);

typedef union entry {
    unsigned long *stack;
    void (*code)(void);
} entry;

__attribute__((section(".vectors"), used)) static const entry vectors[] = {{.stack = &stack_top}, {.code = _start}};
