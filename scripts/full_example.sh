#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# The whole job without a window, for every demo project: render each screen, run a script of touches, generate,
# compile with three compilers, run the result, and compare its frames with the core's.
#   full_example.sh BUILD [OUT]
set -euo pipefail
cd "$(dirname "$0")/.."
build=$1
out=${2:-$build/example}
cli=$build/cli/gorsefinch-cli
. scripts/packages.sh
rm -rf "$out"
mkdir -p "$out"

strict="-std=c99 -Wall -Wextra -Wpedantic -Wconversion -Wshadow -Werror"

# compile NAME COMPILER FLAGS...: builds the driver with the generated code.
compile() {
    local name=$1 compiler=$2
    shift 2
    "$compiler" $strict "$@" -I "$work/code" -I "$work" -I tests/target/drivers -DPANEL_COLUMNS="$columns" -DPANEL_ROWS="$rows" \
        "$work"/code/gorse/*.c "$work/code/${project}"_{scene,images,fonts}.c tests/target/drivers/driver.c \
        -o "$work/$name"
}

for folder in examples/*/; do
    project=$(basename "$folder")
    [ -e "$folder/gorsefinch.json" ] || continue
    work=$out/$project
    mkdir -p "$work"
    say "$project: checking"
    "$cli" check "$folder"
    say "$project: rendering every screen"
    for screen in "$folder"screens/*.json; do
        name=$(basename "$screen" .json)
        "$cli" render "$folder" --screen "$name" -o "$work/$name.png"
        echo "$work/$name.png"
    done
    script=$folder/demo.script
    say "$project: running $script"
    "$cli" run "$folder" --script "$script" --frames "$work/frames" --raw "$work/core.frames"
    echo "$(find "$work/frames" -name '*.png' | wc -l) frames in $work/frames"
    say "$project: generating"
    "$cli" generate "$folder" -o "$work/code" | tail -n 6
    "$cli" generate "$folder" -o "$work/code" | grep '^wrote'
    "$cli" run "$folder" --script "$script" --driver "$work/script.h" >/dev/null
    columns=$(sed -n 's/^#define .*_PANEL_COLUMNS \([0-9]*\)u/\1/p' "$work/code/$project.h")
    rows=$(sed -n 's/^#define .*_PANEL_ROWS \([0-9]*\)u/\1/p' "$work/code/$project.h")
    say "$project: compiling with gcc, clang and for a Cortex-M3, and comparing every frame"
    compile gcc gcc -O2
    "$work/gcc" "$work/gcc.frames"
    compile clang clang -O2
    "$work/clang" "$work/clang.frames"
    compile cortex arm-none-eabi-gcc -Os -mcpu=cortex-m3 -mthumb --specs=rdimon.specs -T tests/target/drivers/cortex_m3.ld \
        -ffunction-sections -fdata-sections -Wl,--gc-sections tests/target/drivers/cortex_m3_start.c
    qemu-system-arm -M mps2-an385 -nographic -monitor none -serial none \
        -semihosting-config "enable=on,target=native,arg=driver,arg=$work/cortex.frames" -kernel "$work/cortex"
    for which in gcc clang cortex; do
        cmp "$work/core.frames" "$work/$which.frames"
        echo "$which: $(stat -c %s "$work/$which.frames") bytes of frames, the same as the core's"
    done
done
say "Done. Everything is in $out"
