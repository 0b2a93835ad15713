// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/short_names.h"

#include <algorithm>
#include <map>

#include "core/rules/rename.h"

namespace gorsefinch {

namespace {

bool rulesMention(const Document& document, const std::string& name) {
    const auto has = [&](const std::string& text) { return text.find(name) != std::string::npos; };
    const auto expressionHas = [&](const auto& each) { return has(each.second); };
    return std::any_of(document.rules->begin(), document.rules->end(),
                       [&](const RuleFile& file) { return has(file.text); }) ||
           std::any_of(document.screens.begin(), document.screens.end(), [&](const ScreenRef& screen) {
               return std::any_of(screen->widgets.begin(), screen->widgets.end(), [&](const WidgetRef& widget) {
                   return std::any_of(widget->expressions.begin(), widget->expressions.end(), expressionHas);
               });
           });
}

}  // namespace

Document withClearShortNames(const Document& document, std::span<const std::string> names) {
    // Most names are in no rule, and then no screen is looked at.
    std::map<std::string_view, std::vector<std::string_view>> screens;
    for (const std::string& name : names)
        if (rulesMention(document, name))
            screens[name];
    if (screens.empty())
        return document;
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->assembly ? std::vector<WidgetRef>() : screen->widgets)
            if (const auto found = screens.find(widget->name); found != screens.end())
                found->second.push_back(screen->name);
    Document next = document;
    for (const auto& [name, holders] : screens) {
        if (holders.size() != 1)
            continue;
        const std::string widget(name), screen(holders.front());
        renameInRulesOf(next, {},
                        {{Reference::What::Widget, widget, screen, true, document.screenIndex(widget) >= 0},
                         widget,
                         screen + "." + widget});
    }
    return next;
}

bool otherScreenHas(const Document& document, std::string_view except, std::string_view widget) {
    return std::any_of(document.screens.begin(), document.screens.end(), [&](const ScreenRef& each) {
        return each->name != except && !each->assembly && widgetIndex(*each, widget) >= 0;
    });
}

std::vector<std::string> rulesAboutWidget(const Document& document, const std::string& screen,
                                          const std::string& widget) {
    if (!rulesMention(document, widget))
        return {};
    std::vector<std::string> out;
    for (Mention& each :
         mentionsOf(document, {Reference::What::Widget, widget, screen, !otherScreenHas(document, screen, widget),
                               document.screenIndex(widget) >= 0}))
        out.push_back(std::move(each.words));
    return out;
}

}  // namespace gorsefinch
