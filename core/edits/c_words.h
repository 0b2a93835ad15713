// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace gorsefinch {

// A word, number or sign of a C source. Literals are skipped.
struct CWord {
    std::string_view text;
    int line;
};

// A comment without its marks, its lines joined by spaces.
struct CComment {
    std::string text;
    int line, lastLine;
    bool isAlone;  // nothing is before it in its line
};

// A C source without being preprocessed. All texts lie in the source.
struct CSource {
    std::vector<CWord> words;  // without those of directives
    std::vector<CComment> comments;
    std::map<std::string, std::string, std::less<>> macros;  // of #define NAME value, without parameters

    // The comment behind a line, else the one that ends in the line before `first`; "" for none.
    std::string noteOf(int first, int last) const;
};

CSource splitC(std::string_view text);

}  // namespace gorsefinch
