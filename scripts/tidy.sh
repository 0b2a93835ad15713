#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# Holds the whole tree with its headers, or the files that are named, to the checks of .clang-tidy. Fails on any finding.
#   tidy.sh [FILE...]
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/packages.sh
install_packages build test long
say "Checking with clang-tidy"
cmake -S . -B build/tidy -G Ninja -DCMAKE_C_COMPILER=clang -DCMAKE_CXX_COMPILER=clang++ \
    -DCMAKE_DISABLE_PRECOMPILE_HEADERS=ON -DGORSEFINCH_TESTS_IN_GROUPS=OFF -DCMAKE_AUTOGEN_ORIGIN_DEPENDS=OFF >/dev/null
for part in gorsefinch_app core_tests runtime_tests target_tests app_tests; do
    cmake --build build/tidy --target "${part}_autogen" >/dev/null
done
files=("$@")
[ ${#files[@]} -gt 0 ] || mapfile -t files < <(git ls-files 'core/*.cpp' 'app/*.cpp' 'cli/*.cpp' 'runtime/*.c' \
    'tests/*/tst_*.cpp' 'bench/*.cpp')
printf '%s\n' "${files[@]}" | xargs -P "$(nproc)" -n 1 clang-tidy -p build/tidy --quiet 2>/dev/null
