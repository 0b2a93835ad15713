// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/copied_lines.h"

#include <algorithm>
#include <map>

#include "core/rules/references.h"
#include "core/rules/rule_words.h"
#include "core/rules/series_text.h"

namespace gorsefinch {

namespace {

using Copy = ProjectNames::Copy;

std::optional<ProjectNames::WidgetPlace> placeOf(const ProjectNames& names, const std::vector<Token>& line,
                                                 const Reference& reference) {
    if (reference.what != Reference::What::Widget ||
        (reference.orScreen && names.screen(line[reference.token].text) >= 0))
        return std::nullopt;
    return names.widget(reference.owner, line[reference.token].text);
}

std::span<const Copy> copiesOf(const ProjectNames& names, const std::vector<Token>& line, const Reference& reference) {
    const auto place = placeOf(names, line, reference);
    return place ? names.copies(*place) : std::span<const Copy>();
}

// The copy that a line means beside `target`, or about a number of series; null for the widget that it names.
const Copy* beside(std::span<const Copy> copies, const Copy* target, std::optional<int> series) {
    const std::optional<int> number = target && target->series ? target->series : series;
    const auto found = std::find_if(copies.begin(), copies.end(), [&](const Copy& each) {
        return each.screen == (target ? target->screen : copies.front().screen) &&
               (!number || !each.series || each.series == number);
    });
    return found == copies.end() ? nullptr : &*found;
}

void nameCopy(const ProjectNames& names, const Copy& copy, std::vector<Token>& path, const Token& at) {
    const Screen& screen = *names.document().screens[static_cast<size_t>(copy.screen)];
    const auto named = [&](TokenType type, const std::string& text) {
        Token token = at;
        token.type = type;
        token.text = text;
        return token;
    };
    path.push_back(named(TokenType::Name, screen.name));
    path.push_back(named(TokenType::Symbol, "."));
    path.push_back(named(TokenType::Name, screen.widgets[static_cast<size_t>(copy.widget)]->name));
}

// The line with other names for the references in it, and with a number for `series`.
std::vector<Token> rewritten(const ProjectNames& names, const std::vector<Token>& line,
                             const std::vector<Reference>& references, const Copy* target, std::optional<int> series) {
    const std::optional<int> number = target && target->series ? target->series : series;
    std::map<size_t, std::pair<size_t, const Copy*>> others;  // by the first word: the last one
    for (const Reference& each : references)
        if (const auto copies = copiesOf(names, line, each); !copies.empty())
            if (const Copy* copy = beside(copies, target, series))
                others[each.owner.empty() ? each.token : each.token - 2] = {each.token, copy};
    std::vector<Token> out;
    for (size_t i = 0; i < line.size(); ++i) {
        if (const auto other = others.find(i); other != others.end()) {
            nameCopy(names, *other->second.second, out, line[other->second.first]);
            i = other->second.first;
            continue;
        }
        Token token = line[i];
        const bool isPart = (i > 0 && line[i - 1].is(".")) || (i + 1 < line.size() && line[i + 1].is("."));
        if (number && token.type == TokenType::Name && token.text == kSeriesWord && !isPart) {
            token.type = TokenType::Number;
            token.number = *number;
            token.text = std::to_string(*number);
        } else if (number && token.type == TokenType::Text) {
            token.text = textInSeries(token.text, *number);
        }
        out.push_back(std::move(token));
    }
    return out;
}

// The reference to what the statement changes; null if it changes no widget.
const Reference* targetOf(const std::vector<Token>& statement, const std::vector<Reference>& references) {
    size_t first = 0;
    const auto is = [&](size_t at, const char* word) { return at < statement.size() && statement[at].is(word); };
    const auto assigns = [&] { return is(first + 1, "=") || is(first + 1, ".") || is(first + 1, "["); };
    while (is(first, "then") && !assigns())
        ++first;
    if (!assigns() && (isAboutWidget(statement[first].text) || is(first, "stop") || is(first, "animate")))
        ++first;
    const auto found = std::find_if(references.begin(), references.end(), [&](const Reference& each) {
        return each.what == Reference::What::Widget && (each.token == first || each.token == first + 2);
    });
    return found == references.end() ? nullptr : &*found;
}

}  // namespace

std::vector<RuleCopies> copiesOfEvent(const ProjectNames& names, const std::vector<Token>& header, size_t most) {
    const std::vector<RuleCopies> none(1);
    if (!header[0].is("on"))
        return none;
    const std::vector<Reference> references = referencesInLine(header);
    const auto event = std::find_if(references.begin(), references.end(), [](const Reference& each) {
        return each.what == Reference::What::Widget && (each.token == 1 || each.token == 3);
    });
    const auto copies = event == references.end() ? std::span<const Copy>() : copiesOf(names, header, *event);
    if (copies.empty())
        return none;
    std::map<std::optional<int>, RuleCopies> out;
    for (const Copy& each : copies.first(std::min(copies.size(), most))) {
        RuleCopies& to = out[each.series];
        to.series = each.series;
        to.those.push_back(each);
    }
    std::vector<RuleCopies> list;
    for (auto& [number, each] : out)
        list.push_back(std::move(each));
    return list;
}

std::vector<Token> lineInSeries(const ProjectNames& names, std::vector<Token> line, std::optional<int> series) {
    return series ? rewritten(names, line, referencesInLine(line), nullptr, series) : std::move(line);
}

std::vector<std::vector<Token>> statementsForCopies(const ProjectNames& names, const std::vector<Token>& statement,
                                                    std::optional<int> series, size_t most) {
    const std::vector<Reference> references = referencesInLine(statement);
    const Reference* target = targetOf(statement, references);
    const auto copies = target ? copiesOf(names, statement, *target) : std::span<const Copy>();
    std::vector<std::vector<Token>> out;
    for (const Copy& each : copies)
        if (out.size() < most && (!series || !each.series || each.series == series))
            out.push_back(rewritten(names, statement, references, &each, series));
    if (out.empty())
        out.push_back(lineInSeries(names, statement, series));
    return out;
}

}  // namespace gorsefinch
