// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/series_text.h"

#include <algorithm>
#include <optional>
#include <vector>

#include "core/rules/lexer.h"
#include "core/rules/rename.h"

namespace gorsefinch {

namespace {

// A sum of whole numbers, as written between braces.
class Sum {
  public:
    explicit Sum(std::string_view text) : tokens_(splitExpression(text, 1, 1, 0)) {}

    // Nothing for all else, and for what has no result of 32 bits.
    std::optional<int64_t> run() {
        const auto value = terms();
        return at_ + 1 == tokens_.size() ? value : std::nullopt;
    }

  private:
    static std::optional<int64_t> checked(int64_t value) {
        return value >= INT32_MIN && value <= INT32_MAX ? std::optional(value) : std::nullopt;
    }

    std::optional<int64_t> terms() {
        auto value = factors();
        while (value && (tokens_[at_].is("+") || tokens_[at_].is("-"))) {
            const bool minus = tokens_[at_++].is("-");
            const auto other = factors();
            value = other ? checked(*value + (minus ? -*other : *other)) : std::nullopt;
        }
        return value;
    }

    std::optional<int64_t> factors() {
        auto value = factor();
        while (value && tokens_[at_].is("*")) {
            ++at_;
            const auto other = factor();
            value = other ? checked(*value * *other) : std::nullopt;
        }
        return value;
    }

    std::optional<int64_t> factor() {
        const Token& token = tokens_[at_];
        if (token.type != TokenType::Number || token.decimals != 0)
            return std::nullopt;
        ++at_;
        return checked(token.number);
    }

    std::vector<Token> tokens_;  // the last is an End
    size_t at_ = 0;
};

RuleRename toNumber(int series) { return {{Reference::What::Variable, kSeriesWord}, std::to_string(series)}; }

}  // namespace

std::string expressionInSeries(std::string_view expression, int series) {
    return renamedExpression(expression, toNumber(series));
}

std::string textInSeries(std::string_view text, int series) {
    const std::string renamed = renamedText(text, toNumber(series));
    if (renamed == text)
        return renamed;
    std::string out;
    size_t end = 0;
    for (const TextPiece& piece : splitText(renamed).pieces) {
        const auto sum = piece.inset ? Sum(piece.text).run() : std::nullopt;
        if (!sum)
            continue;
        out += renamed.substr(end, piece.begin - 1 - end) + std::to_string(*sum);
        end = piece.begin + piece.text.size() + 1;
    }
    return out + renamed.substr(std::min(end, renamed.size()));
}

}  // namespace gorsefinch
