// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/assembly_lines.h"

#include <map>

#include "core/rules/references.h"
#include "core/rules/rename.h"
#include "core/rules/series_text.h"

namespace gorsefinch {

namespace {

// Words that take the place of others, from one to the one before `end`.
struct Exchange {
    size_t end;
    std::string words;
};

std::vector<Token> exchanged(const std::vector<Token>& line, const std::map<size_t, Exchange>& exchanges) {
    if (exchanges.empty())
        return line;
    std::vector<Token> out;
    for (size_t i = 0; i < line.size();) {
        const auto found = exchanges.find(i);
        if (found == exchanges.end()) {
            out.push_back(line[i++]);
            continue;
        }
        std::vector<Token> words = splitExpression(found->second.words, line[i].line, line[i].column, 0);
        words.pop_back();
        for (Token& each : words) {
            // Mistakes are reported where the line was written.
            each.column = line[i].column;
            each.begin = line[i].begin;
            each.end = line[found->second.end - 1].end;
            out.push_back(std::move(each));
        }
        i = found->second.end;
    }
    return out;
}

// The first word of the path that ends with the name of a widget.
size_t beginOf(const Reference& reference) { return reference.owner.empty() ? reference.token : reference.token - 2; }

}  // namespace

std::vector<Token> lineInUse(const Screen& screen, const AssemblyUse& use, const std::vector<Token>& line) {
    std::map<size_t, Exchange> exchanges;
    for (const Reference& each : referencesInLine(line)) {
        const std::string& name = line[each.token].text;
        if (each.what == Reference::What::Variable) {
            if (const auto value = use.values.find(name); value != use.values.end())
                exchanges[each.token] = {each.token + 1, value->second};
        } else if (each.what == Reference::What::Widget && (each.owner.empty() || each.owner == use.assembly)) {
            if (const auto part = use.parts.find(name); part != use.parts.end())
                exchanges[beginOf(each)] = {each.token + 1, screen.name + "." + part->second};
        }
    }
    std::vector<Token> out = exchanged(line, exchanges);
    const InputTexts inputs{use.values, use.content};
    const WidgetCopies copies{use.assembly, screen.name, use.parts};
    for (Token& each : out)
        if (each.type == TokenType::Text)
            each.text = textWithInputs(textOfCopies(each.text, copies), inputs);
    return out;
}

std::vector<Token> lineWithInputs(const ProjectNames& names, const std::vector<Token>& line) {
    if (!names.hasUses())
        return line;
    const auto valueOf = [&](std::string_view screen, std::string_view widget,
                             std::string_view input) -> std::optional<std::string> {
        const auto place = names.widget(screen, widget);
        const auto use = place ? names.use(*place) : std::nullopt;
        const auto value = use ? use->use->values.find(std::string(input)) : decltype(use->use->values.end()){};
        if (!use || value == use->use->values.end())
            return std::nullopt;
        return use->series ? expressionInSeries(value->second, *use->series) : value->second;
    };
    std::map<size_t, Exchange> exchanges;
    for (const Reference& each : referencesInLine(line)) {
        if (each.what != Reference::What::Widget || each.token + 2 >= line.size() || !line[each.token + 1].is("."))
            continue;
        if (auto value = valueOf(each.owner, line[each.token].text, line[each.token + 2].text))
            exchanges[beginOf(each)] = {each.token + 3, std::move(*value)};
    }
    std::vector<Token> out = exchanged(line, exchanges);
    for (Token& each : out)
        if (each.type == TokenType::Text && each.text.find('{') != std::string::npos)
            each.text = textWithUses(each.text, valueOf);
    return out;
}

std::vector<Token> headerWithEvents(const ProjectNames& names, const std::vector<Token>& header) {
    if (!names.hasUses() || !header[0].is("on"))
        return header;
    for (const Reference& each : referencesInLine(header)) {
        if (each.what != Reference::What::Widget || beginOf(each) != 1 || each.token + 2 >= header.size())
            continue;
        const auto place = names.widget(each.owner, header[each.token].text);
        const auto use = place ? names.use(*place) : std::nullopt;
        if (!use || use->series.value_or(0) != 0)
            continue;
        if (const auto event = use->use->events.find(header[each.token + 2].text); event != use->use->events.end())
            return exchanged(header, {{1, {each.token + 3, use->screen->name + "." + event->second}}});
    }
    return header;
}

}  // namespace gorsefinch
