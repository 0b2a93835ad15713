// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/lexer.h"

#include <array>

#include "core/base/characters.h"
#include "core/kinds/value.h"

namespace gorsefinch {

namespace {

bool isNameStart(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_'; }
bool isHex(char c) { return isDigit(c) || (c >= 'a' && c <= 'f') || (c >= 'A' && c <= 'F'); }
bool isNamePart(char c) { return isNameStart(c) || isDigit(c); }

constexpr auto symbols =
    std::to_array<std::string_view>({"==", "!=", "<=", ">=", "&&", "||", "<<", ">>", "+", "-", "*", "/", "%", "<", ">",
                                     "=",  "!",  "~",  "&",  "|",  "^",  "?",  ":",  "(", ")", ",", ".", "[", "]"});

// Walks over one line.
class LineSplitter {
  public:
    LineSplitter(std::string_view line, int number, int column, size_t offset)
        : line_(line), number_(number), column_(column), offset_(offset) {}

    std::vector<Token> run() {
        while (skipBlank())
            tokens_.push_back(next());
        Token end = start(TokenType::End);
        end.end = end.begin;
        tokens_.push_back(end);
        return std::move(tokens_);
    }

  private:
    bool skipBlank() {
        while (at_ < line_.size() && (line_[at_] == ' ' || line_[at_] == '\t' || line_[at_] == '\r'))
            ++at_;
        return at_ < line_.size() && line_.substr(at_, 2) != "//";
    }

    Token start(TokenType type) const {
        Token token;
        token.type = type;
        token.line = number_;
        token.column = column_ + static_cast<int>(at_);
        token.begin = offset_ + at_;
        return token;
    }

    Token finish(Token token, size_t end) {
        if (token.type != TokenType::Text && token.type != TokenType::Bad)
            token.text = line_.substr(at_, end - at_);
        at_ = end;
        token.end = offset_ + at_;
        return token;
    }

    Token next() {
        const char c = line_[at_];
        if (isNameStart(c))
            return finish(start(TokenType::Name), endOf(at_, isNamePart));
        if (isDigit(c))
            return number();
        if (c == '"')
            return text();
        if (c == '#')
            return colour();
        for (const std::string_view symbol : symbols)
            if (line_.substr(at_).starts_with(symbol))
                return finish(start(TokenType::Symbol), at_ + symbol.size());
        Token bad = start(TokenType::Bad);
        bad.text = "this character has no meaning here";
        size_t end = at_ + 1;
        while (end < line_.size() && (static_cast<unsigned char>(line_[end]) & 0xc0) == 0x80)
            ++end;
        return finish(bad, end);
    }

    size_t endOf(size_t from, bool (*part)(char)) const {
        while (from < line_.size() && part(line_[from]))
            ++from;
        return from;
    }

    Token number() {
        Token token = start(TokenType::Number);
        size_t end = endOf(at_, isDigit);
        if (end + 1 < line_.size() && line_[end] == '.' && isDigit(line_[end + 1])) {
            const size_t point = end;
            end = endOf(end + 1, isDigit);
            token.decimals = static_cast<int>(end - point - 1);
        }
        for (size_t i = at_; i < end; ++i)
            if (line_[i] != '.' && token.number < 10000000000000LL)
                token.number = token.number * 10 + (line_[i] - '0');
        if (token.number > 2147483648LL || token.decimals > 6) {
            token.type = TokenType::Bad;
            token.text = token.decimals > 6 ? "a number has at most 6 decimals" : "the number does not fit 32 bits";
        }
        return finish(token, end);
    }

    Token text() {
        Token token = start(TokenType::Text);
        size_t end = at_ + 1;
        while (end < line_.size() && line_[end] != '"') {
            if (line_[end] == '\\' && end + 1 < line_.size()) {
                const char escaped = line_[end + 1];
                token.text += escaped == 'n' ? '\n' : escaped;
                end += 2;
            } else {
                token.text += line_[end++];
            }
        }
        if (end >= line_.size()) {
            token.type = TokenType::Bad;
            token.text = "the closing \" is missing";
            return finish(token, line_.size());
        }
        return finish(token, end + 1);
    }

    Token colour() {
        Token token = start(TokenType::Colour);
        const size_t end = endOf(at_ + 1, isHex);
        if (const auto value = colourFromText(line_.substr(at_, end - at_)))
            token.colour = value->argb;
        else {
            token.type = TokenType::Bad;
            token.text = "a colour is written #RRGGBB";
        }
        return finish(token, end);
    }

    std::string_view line_;
    int number_, column_;
    size_t offset_, at_ = 0;
    std::vector<Token> tokens_;
};

}  // namespace

std::vector<TokenLine> splitRules(std::string_view text) {
    std::vector<TokenLine> lines;
    size_t from = 0;
    for (int number = 1; from <= text.size(); ++number) {
        size_t to = text.find('\n', from);
        if (to == std::string_view::npos)
            to = text.size();
        const std::string_view line = text.substr(from, to - from);
        TokenLine split{!line.empty() && (line[0] == ' ' || line[0] == '\t'),
                        LineSplitter(line, number, 1, from).run()};
        if (split.tokens.size() > 1)
            lines.push_back(std::move(split));
        from = to + 1;
    }
    return lines;
}

std::vector<Token> splitExpression(std::string_view text, int line, int column, size_t offset) {
    return LineSplitter(text, line, column, offset).run();
}

SplitText splitText(std::string_view text) {
    SplitText out;
    TextPiece words;
    const auto keepWords = [&] {
        if (!words.text.empty())
            out.pieces.push_back(words);
        words = {};
    };
    for (size_t i = 0; i < text.size(); ++i) {
        if (words.text.empty())
            words.begin = i;
        const char c = text[i];
        if ((c == '{' || c == '}') && i + 1 < text.size() && text[i + 1] == c) {
            words.text += c;
            ++i;
        } else if (c == '}') {
            out.error = "a } without its {";
            out.remedy = "Write }} for a brace";
            out.errorAt = i;
            words.text += c;
        } else if (c == '{') {
            bool quoted = false;
            size_t end = i + 1;
            for (; end < text.size() && (quoted || text[end] != '}'); ++end)
                quoted ^= text[end] == '"';
            if (end >= text.size()) {
                out.error = "the closing } is missing";
                out.remedy = "Add it, or write {{ for a brace";
                out.errorAt = i;
                words.text += text.substr(i);
                break;
            }
            keepWords();
            out.pieces.push_back({true, std::string(text.substr(i + 1, end - i - 1)), i + 1});
            i = end;
        } else {
            words.text += c;
        }
    }
    keepWords();
    return out;
}

std::string plainText(std::string_view words) {
    std::string out;
    for (const char each : words) {
        out += each;
        if (each == '{' || each == '}')
            out += each;
    }
    return out;
}

}  // namespace gorsefinch
