# SPDX-License-Identifier: GPL-3.0-or-later
# Sourced by ./demo and ./test: installs the packages of packages.txt that are missing.

# Shows a heading with the seconds since the script began.
say() { printf '\n== %s (at %s s)\n' "$*" "$SECONDS"; }

# install_packages GROUP...: of the groups named, what isn't there yet.
install_packages() {
    local group missing=()
    for group in "$@"; do
        for package in $(grep "^$group " packages.txt | cut -d' ' -f2-); do
            dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'install ok installed' || missing+=("$package")
        done
    done
    [ ${#missing[@]} -eq 0 ] && return 0
    say "Installing ${missing[*]}"
    local root=()
    [ "$(id -u)" -eq 0 ] || root=(sudo)
    "${root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get update -qq
    "${root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

# build PRESET [TARGET...]
build() {
    local preset=$1
    shift
    say "Building ($preset)"
    cmake --preset "$preset" >/dev/null
    cmake --build "build/$preset" -j "$(nproc)" ${1:+--target "$@"} | { grep -vE '^\[[0-9]+/[0-9]+\]' || true; }
}
