// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/enum_names.h"

#include <algorithm>
#include <cctype>

namespace gorsefinch {

namespace {

char lowered(char c) { return static_cast<char>(std::tolower(static_cast<unsigned char>(c))); }

bool isSameCharacter(char a, char b) {
    const auto comparable = [](char c) { return std::isalnum(static_cast<unsigned char>(c)) ? lowered(c) : ' '; };
    return comparable(a) == comparable(b);
}

}  // namespace

std::vector<std::string> choicesOf(std::span<const std::string> constants) {
    size_t shared = 0;
    for (size_t at = 0; !constants.empty() && (at = constants[0].find('_', at)) != std::string::npos; ++at)
        if (std::all_of(constants.begin(), constants.end(), [&](const std::string& each) {
                return each.size() > at + 1 && each.compare(0, at + 1, constants[0], 0, at + 1) == 0;
            }))
            shared = at + 1;
    std::vector<std::string> out;
    for (const std::string& each : constants) {
        std::string words = each.substr(shared);
        for (char& c : words)
            c = c == '_' ? ' ' : lowered(c);
        out.push_back(std::move(words));
    }
    return out;
}

bool areSameConstants(std::span<const std::string> a, std::span<const std::string> b) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end(), [](const std::string& one, const std::string& other) {
        return std::equal(one.begin(), one.end(), other.begin(), other.end(), isSameCharacter);
    });
}

}  // namespace gorsefinch
