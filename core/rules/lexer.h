// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace gorsefinch {

enum class TokenType { Name, Number, Text, Colour, Symbol, Bad, End };

// One word of the rules language. `text` is the name, the symbol, the text's content without quotes, or the digits.
struct Token {
    TokenType type = TokenType::End;
    std::string text;
    int line = 1, column = 1;   // from 1, in bytes
    size_t begin = 0, end = 0;  // its position in the whole text
    int64_t number = 0;         // of a number, without its point
    int decimals = 0;           // digits behind the point
    uint32_t colour = 0;        // 0xAARRGGBB

    bool is(std::string_view symbolOrName) const {
        return (type == TokenType::Symbol || type == TokenType::Name) && text == symbolOrName;
    }
};

// A line with something on it; its last token is an End.
struct TokenLine {
    bool indented = false;
    std::vector<Token> tokens;
};

// Splits a text into lines of words. Comments run from // to the line's end. Never fails: what is no word becomes a
// Bad token with the reason as its text.
std::vector<TokenLine> splitRules(std::string_view text);

// The words of one expression, as written between braces; positions count from `line`, `column`, `offset`.
std::vector<Token> splitExpression(std::string_view text, int line, int column, size_t offset);

// A text with insets, cut in pieces: words as they are, or the inside of { }. "{{" is a brace.
struct TextPiece {
    bool inset = false;
    std::string text;
    size_t begin = 0;  // of the piece's content in the text
};
struct SplitText {
    std::vector<TextPiece> pieces;
    std::string error, remedy;  // "" or what is wrong with the braces
    size_t errorAt = 0;
};
SplitText splitText(std::string_view text);
// The words as a text without insets: braces in them stand for themselves.
std::string plainText(std::string_view words);

}  // namespace gorsefinch
