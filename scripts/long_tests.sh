#!/usr/bin/env bash
# SPDX-License-Identifier: GPL-3.0-or-later
# What takes too long for each change: the other ways to build, an installation that runs without its sources, headers
# that compile on their own, clang-tidy, and random tests with more rounds.
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/packages.sh
install_packages build test long
export QT_QPA_PLATFORM=offscreen
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT

# variant NAME OPTION...: configures, builds and installs, then runs the installed programs on an example.
variant() {
    local name=$1
    shift
    say "Building as others do: $name"
    cmake -S . -B "$work/$name" -G Ninja -DGORSEFINCH_TESTS=OFF -DGORSEFINCH_BENCH=OFF "$@" >/dev/null
    cmake --build "$work/$name" -j "$(nproc)" >"$work/$name.log" || { cat "$work/$name.log"; return 1; }
    DESTDIR=$work/root cmake --install "$work/$name" --prefix /usr >/dev/null
    for file in bin/gorsefinch bin/gorsefinch-cli share/applications/gorsefinch.desktop share/mime/packages/gorsefinch.xml \
        share/icons/hicolor/scalable/apps/gorsefinch.svg share/doc/gorsefinch/LICENSE-GPL; do
        [ -e "$work/root/usr/$file" ] || { echo "$name does not install $file"; return 1; }
    done
    (cd / && "$work/root/usr/bin/gorsefinch-cli" generate "$work/root/usr/share/doc/gorsefinch/examples/kiln" -o "$work/code" >/dev/null)
    (cd / && HOME=$work timeout 5 "$work/root/usr/bin/gorsefinch" "$work/root/usr/share/doc/gorsefinch/examples/kiln" || [ $? -eq 124 ])
    rm -rf "$work/$name" "$work/root" "$work/code"
}

hardening="-g -O2 -fstack-protector-strong -Wformat -Werror=format-security -Wdate-time -D_FORTIFY_SOURCE=2"
variant plain
variant release -DCMAKE_BUILD_TYPE=Release
variant relwithdebinfo -DCMAKE_BUILD_TYPE=RelWithDebInfo
variant release-unity -DCMAKE_BUILD_TYPE=Release -DCMAKE_UNITY_BUILD=ON
variant release-no-precompiled -DCMAKE_BUILD_TYPE=Release -DCMAKE_DISABLE_PRECOMPILE_HEADERS=ON
variant hardened -DCMAKE_BUILD_TYPE=None "-DCMAKE_CXX_FLAGS=$hardening" "-DCMAKE_C_FLAGS=$hardening"
variant clang-release -DCMAKE_BUILD_TYPE=Release -DCMAKE_C_COMPILER=clang -DCMAKE_CXX_COMPILER=clang++
variant clang-unity -DCMAKE_BUILD_TYPE=RelWithDebInfo -DCMAKE_UNITY_BUILD=ON -DCMAKE_C_COMPILER=clang -DCMAKE_CXX_COMPILER=clang++

say "Compiling each header on its own"
build dev
include=$(pkg-config --cflags Qt6Widgets Qt6Svg Qt6Test freetype2 harfbuzz)
export include
compile_alone() {
    case $1 in
        runtime/*) cc -std=c99 -fsyntax-only -I runtime -x c "$1" ;;
        *) c++ -std=c++20 -fPIC -fsyntax-only -DQT_NO_KEYWORDS "-DSOURCE_DIR=\"$PWD\"" "-DBINARY_DIR=\"$PWD/build/dev\"" \
            -I . -I runtime $include -include "$1" -x c++ /dev/null ;;
    esac || { echo "$1 does not compile on its own"; return 1; }
}
export -f compile_alone
git ls-files 'core/*.h' 'app/*.h' 'cli/*.h' 'tests/support/*.h' 'runtime/*.h' |
    xargs -P "$(nproc)" -I{} bash -c 'compile_alone {}'

scripts/tidy.sh

say "Running random tests with ten times the rounds"
GORSEFINCH_ROUNDS=10 ctest --test-dir build/dev --output-on-failure -j "$(nproc)"
say "All long tests passed"
