// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/unicode_blocks.h"

#include <unicode/uchar.h>

#include <algorithm>

namespace gorsefinch {

namespace {

std::string blockName(int code) {
    const char* name = u_getPropertyValueName(UCHAR_BLOCK, code, U_LONG_PROPERTY_NAME);
    std::string out = name ? name : "";
    std::replace(out.begin(), out.end(), '_', ' ');
    // The standard writes a hyphen before a single sign: Latin-1 Supplement, Cyrillic Extended-B.
    for (size_t at = 1; at < out.size(); ++at)
        if (out[at - 1] == ' ' && (at + 1 == out.size() || out[at + 1] == ' '))
            out[at - 1] = '-';
    return out;
}

// Surrogates and private use have nothing that a display shows.
std::vector<UnicodeBlock> readBlocks() {
    std::vector<UnicodeBlock> out;
    int last = UBLOCK_NO_BLOCK;
    for (char32_t at = 0; at < 0x32400; at += 16) {
        const int code = ublock_getCode(static_cast<UChar32>(at));
        if (code != last && code != UBLOCK_NO_BLOCK)
            out.push_back({blockName(code), at, at});
        if (code != UBLOCK_NO_BLOCK)
            out.back().last = at + 15;
        last = code;
    }
    std::erase_if(out, [](const UnicodeBlock& each) { return each.first >= 0xd800 && each.first < 0xf900; });
    return out;
}

bool sameName(std::string_view a, std::string_view b) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end(), [](char x, char y) {
        const auto plain = [](char c) {
            return c == '_' || c == '-' ? ' ' : static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
        };
        return plain(x) == plain(y);
    });
}

}  // namespace

const std::vector<UnicodeBlock>& unicodeBlocks() {
    static const std::vector<UnicodeBlock> all = readBlocks();
    return all;
}

const UnicodeBlock* blockOf(char32_t character) {
    for (const UnicodeBlock& each : unicodeBlocks())
        if (character >= each.first && character <= each.last)
            return &each;
    return nullptr;
}

std::set<char32_t> charactersOfBlock(std::string_view name) {
    std::set<char32_t> out;
    for (const UnicodeBlock& each : unicodeBlocks())
        if (sameName(each.name, name))
            for (char32_t c = each.first; c <= each.last; ++c)
                if (u_isdefined(static_cast<UChar32>(c)) && !u_iscntrl(static_cast<UChar32>(c)))
                    out.insert(c);
    return out;
}

std::string characterName(char32_t character) {
    char name[128];
    UErrorCode error = U_ZERO_ERROR;
    const int length = u_charName(static_cast<UChar32>(character), U_EXTENDED_CHAR_NAME, name, sizeof name, &error);
    return U_SUCCESS(error) && length > 0 ? std::string(name) : std::string();
}

}  // namespace gorsefinch
