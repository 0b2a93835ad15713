#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# Code and RAM of generated interfaces: the kiln on a Cortex-M0+ (text, rectangle, image, button and rules) and a small
# black and white project on an 8-bit controller, at -Os with section garbage collection.   code_size.sh BUILD
set -euo pipefail
cd "$(dirname "$0")/.."
cli=$1/cli/gorsefinch-cli
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT

# Bytes of the runtime's own code in a linked program, from the linker's map.
runtime_bytes() {
    perl -ne 'if (/^Linker script and memory map/) { $on = 1 } next unless $on;
        if (/^ \.(text|rodata|progmem)\S*$/) { $pending = 1; next }
        if (/^ (?:\.(?:text|rodata|progmem)\S*)?\s+0x[0-9a-f]+\s+0x([0-9a-f]+) \S*gorse_\w+\.o/ && ($pending || /^ \./)) { $sum += hex $1 }
        $pending = 0; END { print $sum }' "$1"
}

measure() {
    local title=$1 code=$2 name=$3 map=$4
    echo "$title: runtime $(runtime_bytes "$map") bytes of code; state $(sed -n "s/^#define .*_STATE_BYTES \([0-9]*\)u/\1/p" "$code/$name.h" | "$5" -n 1) bytes of RAM without the draw buffer"
}

"$cli" generate examples/kiln -o "$work/kiln" >/dev/null
printf '#include "kiln.h"\nint main(void) { kiln_begin(); for (;;) { kiln_touch(1, 2, 1); kiln_step(1); } }\n' > "$work/main.c"
objects=()
for source in "$work"/kiln/gorse/*.c "$work"/kiln/kiln_*.c "$work/main.c"; do
    object=$work/$(basename "$source" .c).o
    arm-none-eabi-gcc -std=c99 -Os -mcpu=cortex-m0plus -mthumb -ffunction-sections -fdata-sections -I "$work/kiln" -c "$source" -o "$object"
    objects+=("$object")
done
arm-none-eabi-gcc -mcpu=cortex-m0plus -mthumb --specs=nosys.specs -Wl,--gc-sections,-Map="$work/kiln.map" "${objects[@]}" -o "$work/kiln.elf" 2>/dev/null
measure "Cortex-M0+, kiln" "$work/kiln" kiln "$work/kiln.map" tail
arm-none-eabi-size "$work/kiln.elf" | tail -n 1

"$cli" new mono-128x64 "$work/scale" >/dev/null
"$cli" generate "$work/scale" -o "$work/scale_code" >/dev/null
printf '#include "scale.h"\nint main(void) { scale_begin(); for (;;) scale_step(1); }\n' > "$work/main8.c"
avr-gcc -std=gnu99 -Os -mmcu=avr5 -nostartfiles -ffunction-sections -fdata-sections -mcall-prologues -mrelax -I "$work/scale_code" -Wl,--gc-sections,-Map="$work/scale.map" \
    "$work"/scale_code/gorse/*.c "$work"/scale_code/scale_*.c "$work/main8.c" tests/target/avr_start.S -o "$work/scale.elf"
echo "8-bit, an empty project:"
avr-size "$work/scale.elf" | tail -n 1
