/* SPDX-License-Identifier: GPL-3.0-or-later */
/* Runs an ELF file on an emulated 8-bit controller with 32 KB flash, or 64 KB if it needs them, and 2 KB RAM. What the
 * program writes to one spare register goes to a file; writing to the other ends the run. Prints the deepest stack and
 * the cycles. avr_runner PROGRAM.elf OUT.bin */
#include <simavr/sim_avr.h>
#include <simavr/sim_elf.h>
#include <simavr/sim_io.h>
#include <stdio.h>
#include <string.h>

#define FLASH_END 0x7fffu
#define LARGER_FLASH_END 0xffffu
#define RAM_BEGIN 0x100u
#define RAM_END 0x8ffu
#define PATTERN 0xa5
#define SPARE_REGISTER 0x3e
#define END_REGISTER 0x4a

/* The emulator's list of all that it knows, which its headers leave out. */
extern avr_kind_t *avr_kind[];

static FILE *out;
static int ended;

static void on_byte(struct avr_t *avr, avr_io_addr_t addr, uint8_t value, void *param) {
    (void)param;
    avr->data[addr] = value;
    fputc(value, out);
}

static void on_end(struct avr_t *avr, avr_io_addr_t addr, uint8_t value, void *param) {
    (void)param;
    avr->data[addr] = value;
    ended = 1;
}

/* The first controller with the wanted memory; a larger one has more RAM, which is not used. */
static avr_t *find_controller(unsigned flash_end) {
    int i;
    for (i = 0; avr_kind[i] != 0; i++) {
        avr_t *avr = avr_make_mcu_by_name(avr_kind[i]->names[0]);
        if (avr != 0 && avr->flashend == flash_end &&
            (flash_end == FLASH_END ? avr->ramend == RAM_END : avr->ramend > RAM_END))
            return avr;
    }
    return 0;
}

int main(int count, char **words) {
    elf_firmware_t program;
    avr_t *avr;
    unsigned lowest;
    memset(&program, 0, sizeof program);
    if (count != 3 || elf_read_firmware(words[1], &program) != 0)
        return 2;
    avr = find_controller(program.flashsize > FLASH_END ? LARGER_FLASH_END : FLASH_END);
    out = fopen(words[2], "wb");
    if (avr == 0 || out == 0)
        return 2;
    avr_init(avr);
    program.frequency = 16000000;
    avr_load_firmware(avr, &program);
    avr_register_io_write(avr, SPARE_REGISTER, on_byte, 0);
    avr_register_io_write(avr, END_REGISTER, on_end, 0);
    /* The stack pointer is written one byte at a time, so the depth is measured by the bytes that were overwritten. */
    memset(avr->data + RAM_BEGIN, PATTERN, RAM_END + 1u - RAM_BEGIN);
    while (ended == 0 && avr->cycle < 4000000000ull) {
        int state = avr_run(avr);
        if (state == cpu_Done || state == cpu_Crashed)
            break;
    }
    fclose(out);
    lowest = RAM_BEGIN + program.datasize + program.bsssize;
    while (lowest <= RAM_END && avr->data[lowest] == PATTERN)
        lowest++;
    printf("stack %u cycles %llu\n", RAM_END + 1u - lowest, (unsigned long long)avr->cycle);
    return ended != 0 ? 0 : 1;
}
