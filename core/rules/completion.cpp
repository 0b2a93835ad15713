// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/completion.h"

#include <algorithm>

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

std::string_view wordAtEnd(std::string_view before) {
    const auto begin = std::find_if_not(before.rbegin(), before.rend(), isWordCharacter).base();
    return before.substr(static_cast<size_t>(begin - before.begin()));
}

namespace {

std::vector<std::string> namesFor(const Document& document, std::string_view before, bool isStatement) {
    std::vector<std::string> out;
    before.remove_suffix(wordAtEnd(before).size());
    if (before.ends_with('.')) {
        before.remove_suffix(1);
        const std::string_view owner = wordAtEnd(before);
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

}  // namespace gorsefinch
