// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <cstdlib>
#include <string>

// What the fuzzers share. Each defines LLVMFuzzerTestOneInput(), which takes any bytes and stops the program where a
// promise is broken; the sanitizers stop it for everything else.
namespace fuzz {

inline std::string text(const uint8_t* data, size_t size) { return {reinterpret_cast<const char*>(data), size}; }

// Stops the program, with a stack trace, unless what was promised holds.
inline void expect(bool holds) {
    if (!holds)
        std::abort();
}

}  // namespace fuzz
