#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# format.sh [--check]: formats all sources as .clang-format says, or names those that are not.
set -euo pipefail
cd "$(dirname "$0")/.."
how=(-i)
[ "${1:-}" = --check ] && how=(--dry-run --Werror)
find runtime core app cli tests bench -name '*.cpp' -o -name '*.h' -o -name '*.c' | xargs -P "$(nproc)" -n 16 clang-format-14 "${how[@]}"
