// SPDX-License-Identifier: GPL-3.0-or-later
// animate logo.opacity from 0 to 255 in 600 ms, ease out, repeat 3, there and back
// then go menu
#include <algorithm>

#include "core/rules/measure.h"
#include "core/rules/statement_compiler.h"
#include "core/rules/transition_words.h"

namespace gorsefinch {

namespace {

constexpr int kLongest = 600000;  // ms
constexpr int kMostRounds = 60000;
constexpr size_t kMaxGlides = 4000;
constexpr const char* kHowTo = "Write animate widget.property from 0 to 255 in 600 ms, ease out";

}  // namespace

std::optional<uint16_t> StatementCompiler::placeCode(Compiled code, const Token& where) {
    if (pool_.out().code.size() + code.code.size() + 1 > kMaxCode) {
        report(Severity::Error, where, tooMuchCode(), kLessCode);
        return std::nullopt;
    }
    return pool_.place(std::move(code));
}

// The code of an expression that gives the property a value; nothing after a mistake, which is reported.
std::optional<uint16_t> StatementCompiler::endOfWay(const std::vector<Token>& tokens, size_t& i,
                                                    const PropertyPlace& place) {
    const Token& from = at(tokens, i);
    auto value = file_.expression(tokens, i, {});
    if (!value)
        return std::nullopt;
    fit(*value, *place.property, from);
    if (file_.failed())
        return std::nullopt;
    pool_.out().stackDepth = std::max(pool_.out().stackDepth, value->depth);
    return placeCode(std::move(*value), from);
}

// ", ease out", ", repeat 3" or "for ever", ", there and back", in any order.
bool StatementCompiler::wayOfGlide(const std::vector<Token>& tokens, size_t& i, gorse_glide& glide) {
    while (at(tokens, i).is(",")) {
        ++i;
        if (at(tokens, i).is("ease")) {
            const auto ease = easingFrom(at(tokens, i + 1), true);
            if (!ease) {
                report(Severity::Error, at(tokens, i + 1), "in, out, both, bounce or none belongs here", kHowTo);
                return false;
            }
            glide.ease = *ease;
            i += 2;
        } else if (at(tokens, i).is("repeat") && at(tokens, i + 1).is("for") && at(tokens, i + 2).is("ever")) {
            glide.rounds = 0;
            i += 3;
        } else if (at(tokens, i).is("repeat")) {
            const Token& rounds = at(tokens, i + 1);
            if (rounds.type != TokenType::Number || rounds.decimals != 0 || rounds.number < 1 ||
                rounds.number > kMostRounds) {
                report(Severity::Error, rounds, "1 to 60000, or for ever, belongs here", kHowTo);
                return false;
            }
            glide.rounds = static_cast<uint16_t>(rounds.number);
            i += 2;
        } else if (at(tokens, i).is("there") && at(tokens, i + 1).is("and") && at(tokens, i + 2).is("back")) {
            glide.flags = static_cast<uint8_t>(glide.flags | GORSE_GLIDE_BACK);
            i += 3;
        } else {
            report(Severity::Error, at(tokens, i), "ease, repeat or there and back belongs here", kHowTo);
            return false;
        }
    }
    expectEnd(tokens, i);
    return !file_.failed();
}

void StatementCompiler::animate(const std::vector<Token>& tokens, Compiled& body) {
    size_t i = 1;
    const auto place = propertyFrom(tokens, i);
    if (!place)
        return;
    if (place->property->type != PropertyType::Whole && place->property->type != PropertyType::Colour) {
        report(Severity::Error, tokens[0], std::string(place->property->key) + " is no number and no colour",
               "Set it with =");
        return;
    }
    gorse_glide glide{};
    glide.slot = static_cast<uint16_t>(place->slot);
    glide.screen = static_cast<uint16_t>(place->widget.screen);
    glide.from_code = glide.then_code = GORSE_NONE;
    glide.rounds = 1;
    glide.flags = place->property->type == PropertyType::Colour ? GORSE_GLIDE_COLOUR : 0;
    for (const auto& [word, code] : {std::pair("from", &glide.from_code), std::pair("to", &glide.to_code)}) {
        const bool isThere = at(tokens, i).is(word);
        if (!isThere && code == &glide.from_code)
            continue;
        if (!isThere) {
            report(Severity::Error, at(tokens, i), "to and a value belong here", kHowTo);
            return;
        }
        const auto value = endOfWay(tokens, ++i, *place);
        if (!value)
            return;
        *code = *value;
    }
    const auto ms = at(tokens, i).is("in") ? measure(at(tokens, i + 1), at(tokens, i + 2), unitsOfTime) : std::nullopt;
    if (!ms || *ms < 1 || *ms > kLongest) {
        report(Severity::Error, at(tokens, i), "in and a time of 1 ms to 600 s belong here", kHowTo);
        return;
    }
    glide.ms = static_cast<uint32_t>(*ms);
    i += 3;
    if (!wayOfGlide(tokens, i, glide))
        return;
    std::vector<gorse_glide>& all = pool_.out().glides;
    if (all.size() >= kMaxGlides) {
        report(Severity::Error, tokens[0], "rules animate more than " + std::to_string(kMaxGlides) + " times",
               "Let several rules set what one of them animates");
        return;
    }
    pool_.readByRules(place->slot);
    body.operation(GORSE_OP_COMMAND);
    body.word(GORSE_NONE);
    body.word(static_cast<int>(all.size()));
    body.byte(GORSE_COMMAND_ANIMATE);
    latestGlide_ = all.size();
    all.push_back(glide);
}

void StatementCompiler::then(const std::vector<Token>& tokens) {
    if (!latestGlide_) {
        report(Severity::Error, tokens[0], "nothing comes before it", "Write then below an animate");
        return;
    }
    const size_t before = *latestGlide_;
    const std::vector<Token> rest(tokens.begin() + 1, tokens.end());
    if (rest.size() < 2 || rest[0].is("then")) {
        report(Severity::Error, tokens[0], "a statement belongs behind it", "Write then go menu, or another animate");
        return;
    }
    Compiled body;
    statement(rest, body);
    thens_.try_emplace(before, Then{tokens[0], {}}).first->second.body.append(body);
}

void StatementCompiler::endBody() {
    const auto rule = static_cast<uint16_t>(pool_.out().rules.size());
    for (auto& [number, then] : thens_) {
        gorse_glide& glide = pool_.out().glides[number];
        glide.rule = rule;
        if (!file_.failed())
            glide.then_code = placeCode(std::move(then.body), then.first).value_or(GORSE_NONE);
    }
    thens_.clear();
    latestGlide_.reset();
}

void StatementCompiler::stay(const std::vector<Token>& tokens, Compiled& body) {
    size_t i = 1;
    const auto place = propertyFrom(tokens, i);
    if (!place)
        return;
    expectEnd(tokens, i);
    body.operation(GORSE_OP_COMMAND);
    body.word(GORSE_NONE);
    body.slots.push_back({body.code.size(), place->slot});
    body.word(0);
    body.byte(GORSE_COMMAND_STAY);
}

}  // namespace gorsefinch
