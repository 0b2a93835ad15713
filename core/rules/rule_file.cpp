// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/rule_file.h"

#include "core/base/problem_codes.h"

namespace gorsefinch {

namespace {

constexpr size_t kMaxReported = 1000;  // of one file

}  // namespace

RuleFileContext::RuleFileContext(RulePool& pool, const RuleFile& file)
    : pool_(pool), path_("rules/" + file.name + ".rules"), name_(file.name) {
    scope_.names = &pool.names();
    scope_.slot = [this](const auto& place, const auto& property, const Token& at) {
        const int number = slot(place, property, at);
        pool_.readByRules(number);
        return number;
    };
    scope_.string = [this](const std::string& words, const Token& at) { return text(words, at); };
    scope_.report = [this](Severity severity, const Token& at, const std::string& reason, const std::string& remedy) {
        report(severity, at, reason, remedy);
    };
    scope_.settled = [this](const Token& at, const std::string& reason, const std::string& remedy) {
        report(Severity::Warning, at, reason, remedy, kNeverHappens);
    };
}

void RuleFileContext::report(Severity severity, const Token& at, const std::string& reason, const std::string& remedy,
                             const char* code) {
    failed_ = failed_ || severity == Severity::Error;
    if (silent_ || ++reported_ > kMaxReported)
        return;
    Problem problem;
    problem.severity = severity;
    problem.file = path_;
    problem.place = "line " + std::to_string(at.line) + ", column " + std::to_string(at.column);
    problem.reason = at.type == TokenType::Bad ? at.text : reason;
    problem.remedy = remedy;
    problem.code = code;
    problem.line = at.line;
    problem.column = at.column;
    if (reported_ == kMaxReported) {
        problem.severity = Severity::Error;
        problem.reason = "there are more mistakes, which are not listed";
        problem.remedy = "Correct those above first";
    }
    pool_.out().problems.push_back(std::move(problem));
}

int RuleFileContext::slot(const ProjectNames::WidgetPlace& place, const PropertyInfo& property, const Token& at) {
    const auto number = pool_.slot(place, property);
    if (!number)
        report(Severity::Error, at, "the rules use more than " + std::to_string(kMaxSlots) + " properties of widgets",
               "Use fewer");
    return number.value_or(0);
}

int RuleFileContext::hook(const HookInfo& hook, const Token& at) {
    const auto number = pool_.hook(hook);
    if (!number)
        report(Severity::Error, at, "the rules call more than " + std::to_string(kMaxHooks) + " hooks",
               "Give one hook a value that tells them apart");
    return number.value_or(0);
}

int RuleFileContext::text(const std::string& words, const Token& at) {
    const auto number = pool_.string(words);
    if (!number) {
        report(Severity::Error, at, "the rules have more than " + std::to_string(kMaxStrings) + " texts",
               "Take some out");
        return 0;
    }
    for (const Problem& each : pool_.out().strings[static_cast<size_t>(*number)].problems) {
        Token place = at;
        place.column += each.column;
        report(each.severity, place, each.reason, each.remedy);
    }
    return *number;
}

void RuleFileContext::expectEnd(const std::vector<Token>& tokens, size_t i) {
    if (at(tokens, i).type != TokenType::End)
        report(Severity::Error, at(tokens, i), "this does not belong here",
               "Begin a new line, or put an operator before it");
}

std::optional<Compiled> RuleFileContext::expression(const std::vector<Token>& tokens, size_t& i, ChoiceWords choices) {
    ExpressionParser parser(scope_, tokens, std::min(i, tokens.size() - 1), choices);
    auto value = parser.parse();
    i = parser.position();
    if (value)
        pool_.out().stackDepth = std::max(pool_.out().stackDepth, value->depth);
    return value;
}

std::optional<ProjectNames::WidgetPlace> RuleFileContext::widget(const std::vector<Token>& tokens, size_t i,
                                                                 bool full) {
    const Token& name = at(tokens, full ? i + 2 : i);
    const auto found = pool_.names().widget(full ? at(tokens, i).text : "", name.text);
    if (!found || found->screen < 0) {
        report(
            Severity::Error, name,
            found ? "several screens have a widget \"" + name.text + "\"" : "there is no widget \"" + name.text + "\"",
            found ? "Write screen." + name.text : kFindWidget);
        return std::nullopt;
    }
    return found;
}

}  // namespace gorsefinch
