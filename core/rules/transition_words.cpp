// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/transition_words.h"

#include <algorithm>

#include "core/rules/measure.h"

namespace gorsefinch {

namespace {

struct Word {
    std::string_view word;
    uint8_t value;
};
constexpr Word moves[] = {
    {"slide", GORSE_TRANSITION_SLIDE}, {"cover", GORSE_TRANSITION_COVER}, {"uncover", GORSE_TRANSITION_UNCOVER}};
constexpr Word ways[] = {
    {"left", GORSE_WAY_LEFT}, {"right", GORSE_WAY_RIGHT}, {"up", GORSE_WAY_UP}, {"down", GORSE_WAY_DOWN}};
constexpr Word easings[] = {
    {"none", GORSE_EASE_NONE}, {"in", GORSE_EASE_IN}, {"out", GORSE_EASE_OUT}, {"both", GORSE_EASE_BOTH}};
constexpr uint16_t kUsualMs = 250;
constexpr const char* kHowTo =
    "Write cut, fade, or slide, cover or uncover with left, right, up or down, such as "
    "slide left 250 ms, ease out";

const Token& at(const std::vector<Token>& tokens, size_t i) { return tokens[std::min(i, tokens.size() - 1)]; }

std::optional<uint8_t> valueOf(const Token& token, std::span<const Word> words) {
    const auto found = std::find_if(words.begin(), words.end(), [&](const Word& each) { return token.is(each.word); });
    return found == words.end() ? std::nullopt : std::optional(found->value);
}

}  // namespace

std::optional<gorse_transition> readTransition(const std::vector<Token>& tokens, size_t& i,
                                               const TransitionReport& report) {
    gorse_transition out{};
    if (at(tokens, i).is("cut")) {
        ++i;
        return out;
    }
    out.ms = kUsualMs;
    out.ease = GORSE_EASE_OUT;
    if (at(tokens, i).is("fade")) {
        out.how = GORSE_TRANSITION_FADE;
        out.ease = GORSE_EASE_NONE;
        ++i;
    } else {
        const auto how = valueOf(at(tokens, i), moves), way = valueOf(at(tokens, i + 1), ways);
        if (!how || !way) {
            report(at(tokens, how ? i + 1 : i), how ? "a way belongs here" : "a transition belongs here", kHowTo);
            return std::nullopt;
        }
        out.how = *how;
        out.way = *way;
        i += 2;
    }
    if (at(tokens, i).type == TokenType::Number) {
        const auto ms = measure(at(tokens, i), at(tokens, i + 1), unitsOfTime);
        if (!ms || *ms < 1 || *ms > kLongestTransition) {
            report(at(tokens, i), "a time of 1 ms to 10 s belongs here", kHowTo);
            return std::nullopt;
        }
        out.ms = static_cast<uint16_t>(*ms);
        i += 2;
    }
    if (at(tokens, i).is(",") && at(tokens, i + 1).is("ease")) {
        const auto ease = easingFrom(at(tokens, i + 2), false);
        if (!ease) {
            report(at(tokens, i + 2), "in, out, both or none belongs here", kHowTo);
            return std::nullopt;
        }
        out.ease = *ease;
        i += 3;
    }
    return out;
}

std::optional<gorse_transition> readTransition(std::string_view text, const TransitionReport& report) {
    const std::vector<Token> tokens = splitExpression(text, 1, 1, 0);
    size_t i = 0;
    const auto out = readTransition(tokens, i, report);
    if (out && at(tokens, i).type != TokenType::End) {
        report(at(tokens, i), "nothing more belongs here", kHowTo);
        return std::nullopt;
    }
    return out;
}

std::optional<uint8_t> easingFrom(const Token& word, bool withBounce) {
    return withBounce && word.is("bounce") ? std::optional<uint8_t>(GORSE_EASE_BOUNCE) : valueOf(word, easings);
}

bool isSame(const gorse_transition& a, const gorse_transition& b) {
    return a.ms == b.ms && a.how == b.how && a.way == b.way && a.ease == b.ease;
}

const std::vector<std::string>& offeredTransitions() {
    static const std::vector<std::string> all = [] {
        std::vector<std::string> out{"cut", "fade"};
        for (const Word& move : moves)
            for (const Word& way : ways)
                out.push_back(std::string(move.word) + " " + std::string(way.word));
        return out;
    }();
    return all;
}

}  // namespace gorsefinch
