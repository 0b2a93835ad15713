// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <string>
#include <string_view>
#include <vector>

namespace gorsefinch {

// A block of the Unicode standard.
struct UnicodeBlock {
    std::string name;  // "Latin-1 Supplement"
    char32_t first = 0, last = 0;
};

// All blocks that have characters for display, in order.
const std::vector<UnicodeBlock>& unicodeBlocks();
// The block that a character lies in; null outside all.
const UnicodeBlock* blockOf(char32_t character);
// Characters of a block that stand for something, by its name in any case; none for an unknown name.
std::set<char32_t> charactersOfBlock(std::string_view name);
// What the standard calls a character: "LATIN SMALL LETTER A"; "" if it has no name.
std::string characterName(char32_t character);

}  // namespace gorsefinch
