#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# run_fuzzer.sh PROGRAM KIND SECONDS: replays the seeds and all former findings of a kind of input, then looks for new ones.
# What it finds is left in build/findings/KIND; once it is mended, the file belongs into tests/fuzz/findings/KIND.
set -euo pipefail
program=$(realpath "$1") kind=$2 seconds=$3
cd "$(dirname "$0")/.."
mkdir -p build/findings/"$kind" build/corpus/"$kind"
inputs=(build/corpus/"$kind")
for each in tests/fuzz/seeds/"$kind" tests/fuzz/findings/"$kind"; do
    [ -d "$each" ] && inputs+=("$each")
done
[ "$kind" = outlines ] && inputs+=(examples/kiln/fonts)
dictionary=tests/fuzz/dictionaries/$kind.dict
export ASAN_OPTIONS=detect_leaks=0:allocator_may_return_null=1 UBSAN_OPTIONS=print_stacktrace=1
exec "$program" -max_total_time="$seconds" -timeout=20 -rss_limit_mb=3000 -malloc_limit_mb=1500 -max_len=500000 -print_final_stats=1 \
    -artifact_prefix=build/findings/"$kind"/ $([ -f "$dictionary" ] && echo -dict="$dictionary") "${inputs[@]}"
