// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/characters.h"

#include <charconv>
#include <cstdio>

namespace gorsefinch {

std::string characterCode(char32_t character) {
    char code[16];
    std::snprintf(code, sizeof code, "U+%04X", static_cast<unsigned>(character));
    return code;
}

std::optional<char32_t> characterFromCode(std::string_view code) {
    uint32_t value = 0;
    if (code.size() < 3 || (code[0] != 'U' && code[0] != 'u') || code[1] != '+')
        return std::nullopt;
    const auto [end, error] = std::from_chars(code.data() + 2, code.data() + code.size(), value, 16);
    return error == std::errc() && end == code.data() + code.size() && value != 0 && value < 0x110000
               ? std::optional<char32_t>(value)
               : std::nullopt;
}

}  // namespace gorsefinch
