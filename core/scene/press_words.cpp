// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/press_words.h"

#include <algorithm>

#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

// A property's text; "" for a kind that has no such property.
std::string textOf(const Document& document, const Widget& widget, std::string_view key) {
    if (!findIn(info(widget.kind).properties, key))
        return {};
    const PropertyValue value = effectiveValue(document, widget, key);
    const auto* text = std::get_if<std::string>(&value);
    return text ? *text : std::string();
}

// What the kind does to its variable.
std::string ownWords(const Document& document, const Widget& widget) {
    const PropertyInfo* value = findIn(info(widget.kind).properties, "value");
    const std::string variable = value && value->sets ? textOf(document, widget, "value") : std::string();
    if (variable.empty())
        return {};
    const std::string acts = textOf(document, widget, "acts");
    if (acts == "momentary")
        return variable + " is yes while it is held";
    if (acts == "choice")
        return "sets " + variable + " to " + textOf(document, widget, "choice");
    if (acts == "latching" || widget.kind == Kind::Switch)
        return "turns " + variable + " over";
    return "sets " + variable;
}

std::string eventWord(int event) {
    for (const EventWord& each : widgetEvents())
        if (each.event == event)
            return each.word;
    for (const EventWord& each : swipeWords())
        if (each.event == event)
            return std::string(kSwipe) + " " + each.word;
    return {};
}

// The statements of a rule in one line.
std::string statementsOf(const Document& document, const RuleSource& source) {
    const auto file = std::find_if(document.rules->begin(), document.rules->end(),
                                   [&](const RuleFile& each) { return each.name == source.file; });
    if (file == document.rules->end())
        return {};
    std::string out;
    size_t at = 0;
    for (int line = 1; line <= source.lastLine && at < file->text.size(); ++line) {
        const size_t end = std::min(file->text.find('\n', at), file->text.size());
        const size_t begin = file->text.find_first_not_of(" \t", at);
        if (line > source.line && begin < end)
            out += (out.empty() ? "" : ", ") + file->text.substr(begin, end - begin);
        at = end + 1;
    }
    return out;
}

}  // namespace

std::string pressWords(const BuiltScene& scene, size_t screen, size_t widget) {
    std::string out = ownWords(scene.document, *scene.parts[screen]->source->widgets[widget]);
    for (size_t i = 0; i < scene.rules->rules.size(); ++i) {
        const gorse_rule& rule = scene.rules->rules[i];
        if (rule.screen != screen || rule.widget != widget)
            continue;
        if (const std::string word = eventWord(rule.event); !word.empty())
            out += (out.empty() ? "" : "; ") + word + ": " + statementsOf(scene.document, scene.rules->sources[i]);
    }
    return out.empty() ? "nothing" : out;
}

}  // namespace gorsefinch
