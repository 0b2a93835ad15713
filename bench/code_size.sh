#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# Code and RAM of generated interfaces at -Os with section garbage collection: bench/kettle (text, rectangle, image, button
# and rules in 16-bit colour) and the kiln demo on a Cortex-M0+, the hive demo on an 8-bit controller: its pages alone
# (bench/hive), and all of it.
#   code_size.sh BUILD
set -euo pipefail
cd "$(dirname "$0")/.."
cli=$1/cli/gorsefinch-cli
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT

# Bytes of the runtime's own code in a linked program, from the linker's map.
runtime_bytes() {
    perl -ne 'if (/^Linker script and memory map/) { $on = 1 } next unless $on;
        if (/^ (\.\S+)$/) { $section = $1; next }
        if (/^(?: (\.\S+))?\s+0x[0-9a-f]+\s+0x([0-9a-f]+) \S*gorse_\w+\.o/) { ($name, $bytes) = ($1 // $section, $2); $sum += hex $bytes if $name =~ /^\.(text|rodata|progmem)/ }
        $section = ""; END { print $sum }' "$1"
}

# state_bytes FOLDER NAME COMPILER...: as the compiler computes it.
state_bytes() {
    local folder=$1 name=$2
    shift 2
    printf '#include "%s.h"\nconst uint32_t bytes = %s_STATE_BYTES;\n' "$name" "${name^^}" | "$@" -I "$folder" -x c -S -o - - |
        perl -ne 'if (/^\s*\.(?:word|long)\s+(\d+)$/) { print $1; exit } if (/^\s*\.byte\s+(-?\d+)$/) { $sum += ($1 & 255) << 8 * $n++ } END { print $sum if $n }'
}

# measure32 PROJECT NAME
measure32() {
    local code=$work/$2 objects=() source object
    "$cli" generate "$1" -o "$code" >/dev/null
    printf '#include "%s.h"\nint main(void) { %s_begin(); for (;;) { %s_touch(1, 2, 1); %s_step(1); } }\n' "$2" "$2" "$2" "$2" > "$code/main.c"
    for source in "$code"/gorse/*.c "$code/$2"_*.c "$code/main.c"; do
        object=$code/$(basename "$source" .c).o
        arm-none-eabi-gcc -std=c99 -Os -mcpu=cortex-m0plus -mthumb -ffunction-sections -fdata-sections -I "$code" -c "$source" -o "$object"
        objects+=("$object")
    done
    arm-none-eabi-gcc -mcpu=cortex-m0plus -mthumb --specs=nosys.specs -Wl,--gc-sections,-Map="$code/map" "${objects[@]}" -o "$code/elf" 2>/dev/null
    echo "Cortex-M0+, $2: runtime $(runtime_bytes "$code/map") bytes of code; state $(state_bytes "$code" "$2" arm-none-eabi-gcc -mcpu=cortex-m0plus) bytes of RAM without the draw buffer"
    arm-none-eabi-size "$code/elf" | tail -n 1
}

cp -r bench/kettle "$work/project"
mkdir "$work/project/fonts" "$work/project/images"
cp examples/kiln/fonts/B612-Regular.otf "$work/project/fonts"
cp examples/kiln/images/pot.png "$work/project/images"
measure32 "$work/project" kettle
measure32 examples/kiln kiln

# measure8 PROJECT WHAT CALLS
measure8() {
    local code=$work/code_$2
    "$cli" generate "$1" -o "$code" >/dev/null
    printf '#include "hive.h"\nint main(void) { hive_begin(); for (;;) { %s hive_step(1); } }\n' "$3" > "$code/main.c"
    # docs/generated-code.md recommends these.
    local small=(-mcall-prologues -mrelax -mstrict-X -flto -fno-inline-small-functions -fno-split-wide-types -fno-move-loop-invariants -fno-gcse)
    avr-gcc -std=gnu99 -Os -mmcu=avr5 -nostartfiles -ffunction-sections -fdata-sections "${small[@]}" -I "$code" -Wl,--gc-sections \
        "$code"/gorse/*.c "$code"/hive_*.c "$code/main.c" tests/target/drivers/avr_start.S -o "$code/elf"
    echo "8-bit, $2: state $(state_bytes "$code" hive avr-gcc -mmcu=avr5) bytes of RAM without the draw buffer"
    avr-size "$code/elf" | tail -n 1
}

pages=$work/pages
mkdir "$pages" "$pages/screens"
cp -r bench/hive/* examples/hive/fonts examples/hive/images "$pages"
cp examples/hive/screens/{weight,climate,view}.json "$pages/screens"
measure8 "$pages" hive_pages "hive_knob(1);"
measure8 examples/hive hive "hive_knob(1); hive_key(6, 1);"
