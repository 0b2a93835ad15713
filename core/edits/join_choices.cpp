// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/join_choices.h"

#include <algorithm>

#include "core/document/names.h"

namespace gorsefinch {

namespace {

const std::string* textOf(const Widget& widget, const char* key) {
    const auto found = widget.properties.find(key);
    return found == widget.properties.end() ? nullptr : std::get_if<std::string>(&found->second);
}

bool isJoined(const Widget& widget) {
    const std::string *acts = textOf(widget, "acts"), *value = textOf(widget, "value");
    return acts && *acts == "choice" && value && !value->empty();
}

// What a widget is called among the others: what it says, else its name.
std::string wordFor(const Widget& widget) {
    const std::string* text = textOf(widget, "text");
    return nameFrom(text ? *text : std::string(), widget.name);
}

// The values of the variable that widgets on any screen have as their choice.
std::vector<std::string> takenChoices(const Document& document, const std::string& variable) {
    std::vector<std::string> out;
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets)
            if (isJoined(*widget) && *textOf(*widget, "value") == variable)
                if (const std::string* choice = textOf(*widget, "choice"))
                    out.push_back(*choice);
    return out;
}

bool isAmong(const std::vector<std::string>& all, const std::string& one) {
    return std::find(all.begin(), all.end(), one) != all.end();
}

// The words of the widgets' values, and the variable with those that it lacked.
struct Joined {
    Variable variable;
    std::vector<std::pair<std::string, std::string>> choices;  // widget, value
};

// Gives each widget that is not joined yet a value of a number or of yes and no.
Result<void> takeNumbers(const Document& document, const std::vector<const Widget*>& widgets, Joined& joined) {
    std::vector<std::string> taken = takenChoices(document, joined.variable.name);
    int64_t next = joined.variable.min;
    for (const Widget* each : widgets) {
        while (next <= joined.variable.max && isAmong(taken, valueInWords(joined.variable, static_cast<int32_t>(next))))
            ++next;
        if (next > joined.variable.max)
            return failure("", joined.variable.name, "it has no value left for " + each->name,
                           "Widen its range at the station Variables");
        joined.choices.emplace_back(each->name, valueInWords(joined.variable, static_cast<int32_t>(next++)));
    }
    return {};
}

Result<void> takeNames(const Document& document, const std::vector<const Widget*>& widgets, Joined& joined) {
    std::vector<std::string> names = joined.variable.choices;
    const std::vector<std::string> taken = takenChoices(document, joined.variable.name);
    for (const Widget* each : widgets) {
        const std::string word = wordFor(*each);
        // A widget takes the name that is its text, if no other widget has it.
        if (isAmong(names, word) && !isAmong(taken, word) &&
            std::none_of(joined.choices.begin(), joined.choices.end(),
                         [&](const auto& other) { return other.second == word; })) {
            joined.choices.emplace_back(each->name, word);
            continue;
        }
        names.push_back(uniqueName(word, [&](std::string_view name) { return isAmong(names, std::string(name)); }));
        joined.choices.emplace_back(each->name, names.back());
    }
    if (const auto error = choicesError(names))
        return failure("", joined.variable.name, *error, "Join fewer, or shorten what they say");
    setChoices(joined.variable, std::move(names));
    return {};
}

}  // namespace

bool canBeChoice(Kind kind) { return findIn(info(kind).properties, "choice") != nullptr; }

Result<Document> joinChoices(const Document& document, std::string_view screen, std::span<const std::string> names) {
    const ScreenRef on = document.screen(screen);
    std::vector<const Widget*> all, fresh;
    const Widget* known = nullptr;
    for (const WidgetRef& each : on ? on->widgets : std::vector<WidgetRef>{}) {
        if (!canBeChoice(each->kind) || std::find(names.begin(), names.end(), each->name) == names.end())
            continue;
        all.push_back(each.get());
        if (isJoined(*each) && document.variable(*textOf(*each, "value")))
            known = known ? known : each.get();
    }
    if (all.size() < 2)
        return failure("", "", "one of several needs several buttons or checkboxes", "Select at least two of them");
    Joined joined;
    if (known) {
        joined.variable = *document.variable(*textOf(*known, "value"));
    } else {
        joined.variable.type = VariableType::Choice;
        joined.variable.writer = Writer::Both;
        joined.variable.name = uniqueName(std::string(screen) + "_choice",
                                          [&](std::string_view name) { return document.variable(name) != nullptr; });
    }
    for (const Widget* each : all)
        if (!isJoined(*each) || *textOf(*each, "value") != joined.variable.name)
            fresh.push_back(each);
    const auto taken = joined.variable.type == VariableType::Choice ? takeNames(document, fresh, joined)
                                                                    : takeNumbers(document, fresh, joined);
    if (!taken)
        return tl::unexpected(taken.error());
    Document out = withVariable(document, joined.variable);
    for (const auto& each : joined.choices)
        out = changeWidgets(out, screen, std::vector<std::string>{each.first}, [&](Widget& changed) {
            changed.properties["acts"] = std::string("choice");
            changed.properties["value"] = joined.variable.name;
            changed.properties["choice"] = each.second;
        });
    return out;
}

namespace {

// The variable with a value 0 that no widget has as its choice.
Result<Variable> withFreeFirstValue(const Document& document, Variable variable) {
    const std::vector<std::string> taken = takenChoices(document, variable.name);
    if (variable.type != VariableType::Choice) {
        if (variable.min > 0 || isAmong(taken, valueInWords(variable, 0)))
            return failure("", variable.name, "none of them is chosen at 0, which it lacks or one of them has",
                           "Let its range begin at 0, and give that button another value");
        return variable;
    }
    if (!isAmong(taken, variable.choices.front()))
        return variable;
    std::vector<std::string> choices = variable.choices;
    choices.insert(choices.begin(), uniqueName("none", [&](std::string_view name) {
                       return isAmong(variable.choices, std::string(name));
                   }));
    if (const auto error = choicesError(choices))
        return failure("", variable.name, *error, "Join fewer, or shorten what they say");
    setChoices(variable, std::move(choices));
    variable.start = 0;
    return variable;
}

}  // namespace

Result<Document> joinChoicesOrNone(const Document& document, std::string_view screen,
                                   std::span<const std::string> names) {
    auto joined = joinChoices(document, screen, names);
    if (!joined)
        return joined;
    std::vector<std::string> cleared;
    std::string value;
    for (const WidgetRef& each : joined->screen(screen)->widgets) {
        if (!canBeChoice(each->kind) || std::find(names.begin(), names.end(), each->name) == names.end())
            continue;
        value = *textOf(*each, "value");
        if (findIn(info(each->kind).properties, "may_clear"))
            cleared.push_back(each->name);
    }
    const auto variable = withFreeFirstValue(*joined, *joined->variable(value));
    if (!variable)
        return tl::unexpected(variable.error());
    return changeWidgets(withVariable(*joined, *variable), screen, cleared,
                         [](Widget& each) { each.properties["may_clear"] = true; });
}

}  // namespace gorsefinch
