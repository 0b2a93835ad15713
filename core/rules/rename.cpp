// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/rename.h"

#include <algorithm>

#include "core/rules/lexer.h"

namespace gorsefinch {

namespace {

struct Replacement {
    size_t begin, end;
    std::string text;
};

std::string replaced(std::string_view text, std::vector<Replacement> all) {
    std::sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.begin > b.begin; });
    std::string out(text);
    for (const Replacement& each : all)
        out.replace(each.begin, each.end - each.begin, each.text);
    return out;
}

// The thing is meant by token i of a line if it stands where such a thing can stand.
bool isMeant(const std::vector<Token>& tokens, size_t i, const RuleRename& rename) {
    if (tokens[i].type != TokenType::Name || tokens[i].text != rename.from)
        return false;
    const bool afterPoint = i > 0 && tokens[i - 1].is(".");
    const bool beforePoint = tokens[i + 1].is(".");
    switch (rename.what) {
        case RuleRename::What::Variable:
            return !afterPoint && !beforePoint && !tokens[i + 1].is("(") &&
                   !(i > 0 && (tokens[i - 1].is("go") || tokens[i - 1].is("on") || tokens[i - 1].is("call")));
        case RuleRename::What::Screen:
            return (!afterPoint && beforePoint) || (i > 0 && tokens[i - 1].is("go"));
        default: {
            const bool bare = i > 0 && (tokens[i - 1].is("show") || tokens[i - 1].is("hide") ||
                                        tokens[i - 1].is("toggle"));
            if (afterPoint)
                return i > 1 && tokens[i - 2].text == rename.screen && (beforePoint || tokens[i + 1].type == TokenType::End);
            return rename.shortForm && (beforePoint || bare);
        }
    }
}

void collect(const std::vector<Token>& tokens, const RuleRename& rename, std::vector<Replacement>& all,
             std::string_view whole) {
    for (size_t i = 0; i + 1 < tokens.size(); ++i) {
        if (isMeant(tokens, i, rename))
            all.push_back({tokens[i].begin, tokens[i].end, rename.to});
        if (tokens[i].type != TokenType::Text)
            continue;
        const std::string_view inside = whole.substr(tokens[i].begin + 1, tokens[i].end - tokens[i].begin - 2);
        const std::string fresh = renamedText(inside, rename);
        if (fresh != inside)
            all.push_back({tokens[i].begin + 1, tokens[i].end - 1, fresh});
    }
}

}  // namespace

std::string renamedRules(std::string_view rules, const RuleRename& rename) {
    std::vector<Replacement> all;
    for (const TokenLine& line : splitRules(rules))
        collect(line.tokens, rename, all, rules);
    return replaced(rules, std::move(all));
}

std::string renamedText(std::string_view text, const RuleRename& rename) {
    std::vector<Replacement> all;
    for (const TextPiece& piece : splitText(text).pieces)
        if (piece.inset)
            collect(splitExpression(piece.text, 1, 1, piece.begin), rename, all, text);
    return replaced(text, std::move(all));
}

}  // namespace gorsefinch
