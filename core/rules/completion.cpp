// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/completion.h"

#include <algorithm>
#include <optional>

#include "core/base/characters.h"
#include "core/document/panel_outputs.h"
#include "core/rules/clock_fields.h"
#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

void addWidgets(const Screen& screen, std::vector<std::string>& out) {
    for (const WidgetRef& each : screen.widgets)
        out.push_back(each->name);
}

void addProperties(Kind kind, bool withCells, std::vector<std::string>& out) {
    if (withCells && info(kind).has(kHasCells))
        out.emplace_back("cell");
    for (const auto& properties : {info(kind).properties, placeProperties(), styleProperties()})
        for (const PropertyInfo& property : properties)
            if (property.inRules)
                out.emplace_back(property.key);
}

}  // namespace

namespace {

// Where quotes begin that are still open at the end, and an inset in them.
struct OpenText {
    std::optional<size_t> quote, brace;
};
OpenText openTextAtEnd(std::string_view before) {
    OpenText out;
    for (size_t i = 0; i < before.size(); ++i) {
        const char c = before[i];
        if (c == '\\' && out.quote)
            ++i;
        else if (c == '"')
            out = out.quote ? OpenText() : OpenText{i, {}};
        else if (out.quote && (c == '{' || c == '}'))
            out.brace = c == '{' ? std::optional(i) : std::nullopt;
    }
    return out;
}

std::string_view plainWordAtEnd(std::string_view before) {
    const auto begin = std::find_if_not(before.rbegin(), before.rend(), isWordCharacter).base();
    return before.substr(static_cast<size_t>(begin - before.begin()));
}

void trimEnd(std::string_view& text) {
    while (text.ends_with(' '))
        text.remove_suffix(1);
}

// What rules can set of a use of an assembly.
void addInputs(const Document& document, const Widget& use, std::vector<std::string>& out) {
    if (const ScreenRef of = assemblyScreen(document, assemblyOf(use)))
        for (const AssemblyInput& each : of->assembly->inputs)
            if (each.isValue() && !each.inner)
                out.push_back(each.name);
}

// The names that a property of a widget can have; nothing for one that is no choice.
std::vector<std::string> choicesOfProperty(const Document& document, std::string_view owner, std::string_view key) {
    for (const ScreenRef& screen : document.screens)
        if (const int at = widgetIndex(*screen, owner); at >= 0)
            if (const auto* property = findProperty(screen->widgets[static_cast<size_t>(at)]->kind, key))
                return {property->choices.begin(), property->choices.end()};
    return {};
}

// The names of the choice that a text in quotes is compared with or set to, by what stands before the quotes.
std::vector<std::string> choicesBefore(const Document& document, std::string_view before) {
    trimEnd(before);
    if (!before.ends_with('='))
        return {};
    before.remove_suffix(before.ends_with("==") || before.ends_with("!=") ? 2 : 1);
    trimEnd(before);
    if (before.ends_with(']'))
        before = before.substr(0, std::min(before.rfind('['), before.size()));
    const std::string_view name = plainWordAtEnd(before);
    before.remove_suffix(name.size());
    if (before.ends_with('.')) {
        before.remove_suffix(1);
        return choicesOfProperty(document, plainWordAtEnd(before), name);
    }
    if (const auto theme = themeVariable(*document.named); theme && theme->name == name)
        return theme->choices;
    for (const Variable& each : *document.variables)
        if (each.name == name && each.type == VariableType::Choice)
            return each.choices;
    return {};
}

void addEvents(std::span<const EventWord> events, unsigned traits, std::vector<std::string>& out) {
    for (const EventWord& each : events)
        if (each.needs == 0 || (traits & each.needs) != 0)
            out.emplace_back(each.word);
}

}  // namespace

std::string_view wordAtEnd(std::string_view before) {
    const OpenText open = openTextAtEnd(before);
    return open.quote && !open.brace ? before.substr(*open.quote + 1) : plainWordAtEnd(before);
}

namespace {

std::vector<std::string> namesFor(const Document& document, std::string_view before, bool isStatement) {
    std::vector<std::string> out;
    if (const OpenText open = openTextAtEnd(before); open.brace)
        before = before.substr(*open.brace + 1);
    else if (open.quote)
        return choicesBefore(document, before.substr(0, *open.quote));
    before.remove_suffix(plainWordAtEnd(before).size());
    if (before.ends_with('.')) {
        before.remove_suffix(1);
        const std::string_view owner = plainWordAtEnd(before);
        before.remove_suffix(owner.size());
        if (owner == kClockName && document.clock && !before.ends_with('.')) {
            for (const Variable& each : clockVariables())
                out.push_back(each.name.substr(owner.size() + 1));
            return out;
        }
        if (owner == kPanelName && !before.ends_with('.'))
            for (const Variable& each : outputVariables(*document.panel))
                out.push_back(each.name.substr(owner.size() + 1));
        if (const ScreenRef screen = document.screen(owner); screen && !before.ends_with('.')) {
            addWidgets(*screen, out);
            return out;
        }
        for (const ScreenRef& screen : document.screens)
            if (const int at = widgetIndex(*screen, owner); at >= 0) {
                addInputs(document, *screen->widgets[static_cast<size_t>(at)], out);
                addProperties(screen->widgets[static_cast<size_t>(at)]->kind, isStatement, out);
                return out;
            }
        return out;
    }
    for (const Variable& each : *document.variables)
        out.push_back(each.name);
    if (document.clock)
        out.emplace_back(kClockName);
    if (!outputVariables(*document.panel).empty())
        out.emplace_back(kPanelName);
    if (const auto theme = themeVariable(*document.named))
        out.push_back(theme->name);
    for (const NamedColour& each : document.named->colours)
        out.push_back(each.name);
    for (const NamedSize& each : document.named->sizes)
        out.push_back(each.name);
    for (const std::string_view word : valueWords())
        out.emplace_back(word);
    if (std::any_of(document.variables->begin(), document.variables->end(),
                    [](const Variable& each) { return each.isArray(); }))
        for (const std::string_view word : arrayWords())
            out.emplace_back(word);
    for (const ScreenRef& screen : document.screens) {
        out.push_back(screen->name);
        addWidgets(*screen, out);
    }
    return out;
}

}  // namespace

std::vector<std::string> namesInExpression(const Document& document, std::string_view before) {
    return namesFor(document, before, false);
}

std::vector<std::string> namesInStatement(const Document& document, std::string_view before) {
    return namesFor(document, before, true);
}

std::vector<std::string> namesInEvent(const Document& document, std::string_view before) {
    before.remove_suffix(plainWordAtEnd(before).size());
    if (!before.ends_with('.'))
        return namesFor(document, before, false);
    before.remove_suffix(1);
    const std::string_view owner = plainWordAtEnd(before);
    before.remove_suffix(owner.size());
    std::vector<std::string> out;
    if (const ScreenRef screen = document.screen(owner); screen && !before.ends_with('.')) {
        addEvents(screenEvents(), 0, out);
        out.emplace_back(kSwipe);
        addWidgets(*screen, out);
        return out;
    }
    for (const ScreenRef& screen : document.screens)
        if (const int at = widgetIndex(*screen, owner); at >= 0) {
            const unsigned traits = info(screen->widgets[static_cast<size_t>(at)]->kind).traits;
            if (const ScreenRef of = assemblyScreen(document, assemblyOf(*screen->widgets[static_cast<size_t>(at)])))
                for (const ToldEvent& each : of->assembly->events)
                    out.push_back(each.name);
            addEvents(widgetEvents(), traits, out);
            if ((traits & kIsTouched) != 0)
                out.emplace_back(kSwipe);
            return out;
        }
    return out;
}

}  // namespace gorsefinch
