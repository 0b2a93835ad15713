#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# Measures the runtime on its targets: writes source_sizes.inc (bytes of code) and stack_frames.inc (bytes of stack and
# calls of each function), which the costs read.
#   measure_sources.sh [FOLDER]: where to write, core/emit unless given
set -euo pipefail
cd "$(dirname "$0")/../.."
out=${1:-core/emit}
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
mkdir "$work"/{m0,m3,avr}

compile() {
    local name
    name=$(basename "$1" .c)
    arm-none-eabi-gcc -Os -mcpu=cortex-m0plus -mthumb -std=c99 -fstack-usage -ffunction-sections -c "$1" -o "$2/m0/$name.o"
    arm-none-eabi-gcc -Os -mcpu=cortex-m3 -mthumb -std=c99 -fstack-usage -ffunction-sections -c "$1" -o "$2/m3/$name.o"
    avr-gcc -Os -mmcu=avr5 -std=gnu99 -fstack-usage -ffunction-sections -c "$1" -o "$2/avr/$name.o"
}
export -f compile
printf '%s\n' runtime/*.c | xargs -P "$(nproc)" -I{} bash -c 'compile {} '"$work"

{
    echo "// Made by core/emit/measure_sources.sh."
    for source in runtime/*.c; do
        name=$(basename "$source" .c)
        word32=$(arm-none-eabi-size "$work/m0/$name.o" | awk 'NR==2 {print $1 + $2}')
        word8=$(avr-size "$work/avr/$name.o" | awk 'NR==2 {print $1 + $2}')
        echo "{\"$name.c\", $word32, $word8},"
    done
} > "$out/source_sizes.inc"
perl core/emit/stack_frames.pl "$work" > "$out/stack_frames.inc"
