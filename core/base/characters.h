// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace gorsefinch {

// Of ASCII, whatever the user's language.
constexpr bool isDigit(char c) { return c >= '0' && c <= '9'; }
// Of what names in rules and in C consist of.
constexpr bool isWordCharacter(char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || isDigit(c) || c == '_';
}

// At most so many bytes of UTF-8 text, cut between two characters.
inline std::string cutText(std::string text, size_t bytes) {
    if (text.size() <= bytes)
        return text;
    while (bytes > 0 && (static_cast<unsigned char>(text[bytes]) & 0xc0) == 0x80)
        --bytes;
    text.resize(bytes);
    return text;
}

// One character as "U+0041", and back; nothing for anything else.
std::string characterCode(char32_t character);
std::optional<char32_t> characterFromCode(std::string_view code);

}  // namespace gorsefinch
