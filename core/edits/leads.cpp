// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/leads.h"

#include <algorithm>

#include "core/edits/edit.h"
#include "core/edits/short_names.h"
#include "core/rules/lexer.h"
#include "core/rules/transition_words.h"

namespace gorsefinch {

namespace {

constexpr const char* kFirstFile = "main";

// A rule of a widget's tap without a condition, as positions in the text of its file.
struct TapRule {
    size_t begin = 0;  // of its first line
    size_t end = 0;    // behind the last line of its body
    size_t lines = 0;  // of the body
    struct Step {
        size_t begin = 0, end = 0;          // of its words
        size_t lineBegin = 0, lineEnd = 0;  // with the newline
        Lead lead;
    };
    std::optional<Step> step;  // the first one
};

size_t lineBegin(std::string_view text, size_t at) {
    const size_t before = text.substr(0, at).rfind('\n');
    return before == std::string_view::npos ? 0 : before + 1;
}

size_t lineEnd(std::string_view text, size_t at) {
    const size_t end = text.find('\n', at);
    return end == std::string_view::npos ? text.size() : end + 1;
}

bool isTapOf(const std::vector<Token>& tokens, const Document& document, std::string_view screen,
             std::string_view widget) {
    const auto word = [&](size_t i) -> const Token& { return tokens[std::min(i, tokens.size() - 1)]; };
    if (!tokens[0].is("on"))
        return false;
    if (word(2).is(".") && word(3).is("tap") && word(4).type == TokenType::End)
        return word(1).text == widget && !otherScreenHas(document, screen, widget);
    return word(1).text == screen && word(2).is(".") && word(3).text == widget && word(4).is(".") &&
           word(5).is("tap") && word(6).type == TokenType::End;
}

// go and back, with what stands behind the comma.
std::optional<Lead> leadIn(const std::vector<Token>& tokens, std::string_view text) {
    const bool back = tokens[0].is("back");
    if (!back && !(tokens[0].is("go") && tokens.size() > 2 && tokens[1].type == TokenType::Name))
        return std::nullopt;
    if (tokens.size() > 1 && (tokens[1].is("=") || tokens[1].is(".") || tokens[1].is("[")))
        return std::nullopt;
    Lead out;
    if (!back)
        out.to = tokens[1].text;
    const size_t comma = back ? 1 : 2;
    if (comma + 1 < tokens.size() && tokens[comma].is(",")) {
        const Token& last = tokens[tokens.size() - 2];
        out.transition = text.substr(tokens[comma + 1].begin, last.end - tokens[comma + 1].begin);
    }
    return out;
}

std::optional<TapRule> tapRuleIn(std::string_view text, const Document& document, std::string_view screen,
                                 std::string_view widget) {
    const std::vector<TokenLine> lines = splitRules(text);
    std::optional<TapRule> first;
    for (size_t i = 0; i < lines.size(); ++i) {
        if (lines[i].indented || !isTapOf(lines[i].tokens, document, screen, widget))
            continue;
        TapRule rule;
        rule.begin = lineBegin(text, lines[i].tokens[0].begin);
        rule.end = lineEnd(text, lines[i].tokens[0].begin);
        for (size_t j = i + 1; j < lines.size() && lines[j].indented; ++j) {
            const size_t at = lines[j].tokens[0].begin;
            rule.end = lineEnd(text, at);
            ++rule.lines;
            if (const auto lead = leadIn(lines[j].tokens, text); lead && !rule.step)
                rule.step = TapRule::Step{at, (lines[j].tokens.end() - 2)->end, lineBegin(text, at), rule.end, *lead};
        }
        if (rule.step)
            return rule;
        if (!first)
            first = rule;
    }
    return first;
}

// The rule that leads on or, without one, the first; with the file that it stands in.
struct Found {
    const RuleFile* file;
    TapRule rule;
};
std::optional<Found> tapRule(const Document& document, std::string_view screen, std::string_view widget) {
    std::optional<Found> first;
    for (const RuleFile& file : *document.rules)
        if (auto rule = tapRuleIn(file.text, document, screen, widget)) {
            if (rule->step)
                return Found{&file, *rule};
            if (!first)
                first = Found{&file, *rule};
        }
    return first;
}

std::string wordsOf(const Lead& lead) {
    return (lead.to.empty() ? "back" : "go " + lead.to) + (lead.transition.empty() ? "" : ", " + lead.transition);
}

std::string lineOf(const Lead& lead) { return "    " + wordsOf(lead) + "\n"; }

// What is put behind a line that may lack its newline.
std::string appended(std::string_view before, const std::string& line) {
    return (before.empty() || before.back() == '\n' ? "" : "\n") + line;
}

Document withoutStep(const Document& document, const Found& found) {
    std::string text = found.file->text;
    const TapRule& rule = found.rule;
    if (rule.lines > 1) {
        text.erase(rule.step->lineBegin, rule.step->lineEnd - rule.step->lineBegin);
        return withRules(document, found.file->name, std::move(text));
    }
    // With it goes the empty line that parts rules.
    const bool isLast = rule.end >= text.size();
    text.erase(rule.begin, rule.end + (!isLast && text[rule.end] == '\n' ? 1 : 0) - rule.begin);
    while (isLast && text.ends_with("\n\n"))
        text.pop_back();
    return withRules(document, found.file->name, std::move(text));
}

}  // namespace

bool canLead(Kind kind) { return kind == Kind::Button || kind == Kind::Zone; }

std::optional<Lead> leadOf(const Document& document, std::string_view screen, std::string_view widget) {
    const auto found = tapRule(document, screen, widget);
    return found && found->rule.step ? std::optional(found->rule.step->lead) : std::nullopt;
}

Result<Document> withLead(const Document& document, std::string_view screen, std::string_view widget,
                          const std::optional<Lead>& lead) {
    const ScreenRef on = document.screen(screen);
    if (!on || widgetIndex(*on, widget) < 0)
        return document;
    const auto found = tapRule(document, screen, widget);
    if (!lead)
        return found && found->rule.step ? withoutStep(document, *found) : document;
    if (!lead->to.empty() && !document.screen(lead->to))
        return failure("", lead->to, "there is no such screen", "Choose one of the project");
    if (!lead->transition.empty()) {
        std::string wrong;
        if (!readTransition(lead->transition,
                            [&](const Token&, const std::string& reason, const std::string&) { wrong = reason; }))
            return failure("", lead->transition, wrong, "Write slide left 250 ms, or nothing");
    }
    if (!found) {
        const RuleFile* file = document.rules->empty() ? nullptr : &document.rules->front();
        const std::string before = file ? file->text : std::string();
        const std::string name = otherScreenHas(document, screen, widget)
                                     ? std::string(screen) + "." + std::string(widget)
                                     : std::string(widget);
        const std::string rule = (before.empty() ? "" : "\n") + ("on " + name + ".tap\n") + lineOf(*lead);
        return withRules(document, file ? file->name : kFirstFile, before + appended(before, rule));
    }
    std::string text = found->file->text;
    if (const auto& step = found->rule.step) {
        text.replace(step->begin, step->end - step->begin, wordsOf(*lead));
    } else {
        text.insert(found->rule.end, appended(text.substr(0, found->rule.end), lineOf(*lead)));
    }
    return withRules(document, found->file->name, std::move(text));
}

}  // namespace gorsefinch
