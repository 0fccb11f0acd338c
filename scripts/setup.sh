# Sourced by run-demo and run-tests: finds the root, and makes sure that the Debian packages are
# there. Parts of setup/packages.txt are named as arguments: need build test.
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)

need() {
    local part package missing=()
    for part in "$@"; do
        while read -r package; do
            dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
        done < <(awk -v part="[$part]" '/^\[/ {inside = ($0 == part); next} inside && !/^#/ && NF {print $1}' \
                     "$root/setup/packages.txt")
    done
    [ ${#missing[@]} -eq 0 ] && return 0
    echo "Glimmet needs these Debian packages, which are not installed: ${missing[*]}"
    local as=()
    if [ "$(id -u)" -ne 0 ]; then
        echo "They are installed now with apt; sudo asks for your password because installing needs it."
        as=(sudo)
    else
        echo "They are installed now with apt."
    fi
    "${as[@]}" apt-get update -qq || return 1
    "${as[@]}" env DEBIAN_FRONTEND=noninteractive \
        apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null || {
        echo "The packages could not be installed. Install them by hand and start this again." >&2
        return 1
    }
}

# configure PRESET [cmake options]
# Where ccache is, a second clone compiles only what differs from the first: paths below the root
# count as relative ones. A debugger of the second clone is then told the first one's folder.
configure() {
    local preset=$1 launcher=()
    shift
    command -v ccache >/dev/null &&
        launcher=("-DCMAKE_CXX_COMPILER_LAUNCHER=env;CCACHE_BASEDIR=$root;CCACHE_NOHASHDIR=1;CCACHE_SLOPPINESS=pch_defines,time_macros;ccache")
    (cd "$root" && cmake --preset "$preset" "${launcher[@]}" "$@" >/dev/null)
}
