; SPDX-License-Identifier: GPL-3.0-or-later
; Start code for an 8-bit controller of the architecture avr5 with its RAM from 0x100 to 0x8ff: one vector, the stack,
; then the compiler's own code that fills the data, and main. So no particular controller has to be named.
    .section .vectors, "ax", @progbits
    jmp start_here

    .section .init2, "ax", @progbits
start_here:
    clr r1
    out 0x3f, r1            ; status
    ldi r28, 0xff
    ldi r29, 0x08
    out 0x3e, r29           ; stack pointer
    out 0x3d, r28

    .section .init9, "ax", @progbits
    call main
end_here:
    rjmp end_here
