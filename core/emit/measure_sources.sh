#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# Measures the runtime's code on both targets and writes core/emit/source_sizes.inc, which the costs read.
set -euo pipefail
cd "$(dirname "$0")/../.."
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
{
    echo "// Made by core/emit/measure_sources.sh."
    for source in runtime/*.c; do
        name=$(basename "$source")
        arm-none-eabi-gcc -Os -mcpu=cortex-m0plus -mthumb -std=c99 -c "$source" -o "$work/a.o"
        avr-gcc -Os -mmcu=avr5 -std=gnu99 -c "$source" -o "$work/b.o"
        word32=$(arm-none-eabi-size "$work/a.o" | awk 'NR==2 {print $1 + $2}')
        word8=$(avr-size "$work/b.o" | awk 'NR==2 {print $1 + $2}')
        echo "{\"$name\", $word32, $word8},"
    done
} > core/emit/source_sizes.inc
