// SPDX-License-Identifier: GPL-3.0-or-later
// Renames that follow through to everything that refers to the thing.
#include <algorithm>

#include "core/assemblies/assemblies.h"
#include "core/document/names.h"
#include "core/edits/edit.h"
#include "core/edits/meant_edits.h"
#include "core/edits/rename_texts.h"
#include "core/edits/short_names.h"
#include "core/rules/rename.h"
#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

std::optional<Error> refuse(std::string_view to, bool taken) {
    if (const auto error = nameError(to))
        return Error{"", "", *error, "Choose another name"};
    if (taken)
        return Error{"", "", "the name \"" + std::string(to) + "\" is taken", "Choose another name"};
    return std::nullopt;
}

bool holds(const std::vector<std::string>& names, std::string_view name) {
    return std::find(names.begin(), names.end(), name) != names.end();
}

bool rewriteTexts(Widget& widget, const RuleRename& rename) {
    bool any = false;
    for (const PropertyInfo& each : info(widget.kind).properties) {
        const auto text = widget.properties.find(each.key);
        if (each.type != PropertyType::Text || text == widget.properties.end() ||
            !std::holds_alternative<std::string>(text->second))
            continue;
        std::string fresh = renamedText(std::get<std::string>(text->second), rename);
        if (fresh == std::get<std::string>(text->second))
            continue;
        text->second = std::move(fresh);
        any = true;
    }
    return any;
}

// Properties that name a thing of the project: its own and those of its look's states.
bool renameIn(PropertyMap& properties, const std::vector<std::string>& keys, std::string_view from,
              std::string_view to) {
    bool any = false;
    for (const std::string& key : keys)
        if (const auto found = properties.find(key);
            found != properties.end() && found->second == PropertyValue(std::string(from))) {
            found->second = std::string(to);
            any = true;
        }
    return any;
}

std::vector<std::string> keysOfType(std::span<const PropertyInfo> properties, PropertyType type) {
    std::vector<std::string> out;
    for (const PropertyInfo& each : properties)
        if (each.type == type)
            out.emplace_back(each.key);
    return out;
}

// Follows a renamed image, face or variable through widgets and looks; what has no such name stays shared.
void renameInProperties(Document& document, PropertyType type, std::string_view from, std::string_view to) {
    const std::vector<std::string> inStyle = keysOfType(styleProperties(), type);
    for (ScreenRef& ref : document.screens) {
        Screen next = *ref;
        bool any = false;
        for (WidgetRef& widget : next.widgets) {
            Widget copy = *widget;
            const bool own = renameIn(copy.properties, keysOfType(info(copy.kind).properties, type), from, to);
            if (renameIn(copy.properties, inStyle, from, to) || own) {
                widget = std::make_shared<const Widget>(std::move(copy));
                any = true;
            }
        }
        if (any)
            ref = std::make_shared<const Screen>(std::move(next));
    }
    auto looks = std::make_shared<std::vector<Look>>(*document.looks);
    bool any = false;
    for (Look& look : *looks) {
        any = renameIn(look.style, inStyle, from, to) || any;
        for (auto& [state, style] : look.states)
            any = renameIn(style, inStyle, from, to) || any;
    }
    if (any)
        document.looks = looks;
}

}  // namespace

// Uses of an assembly, and the file of its rules, take its new name.
static void renameUses(Document& document, std::string_view from, std::string_view to) {
    for (ScreenRef& screen : document.screens) {
        Screen next = *screen;
        bool any = false;
        for (WidgetRef& widget : next.widgets)
            if (assemblyOf(*widget) == from) {
                Widget use = *widget;
                use.properties[kOfKey] = std::string(to);
                widget = std::make_shared<const Widget>(std::move(use));
                any = true;
            }
        if (any)
            screen = std::make_shared<const Screen>(std::move(next));
    }
    auto files = std::make_shared<std::vector<RuleFile>>(*document.rules);
    bool any = false;
    for (RuleFile& each : *files)
        if (each.name == from) {
            each.name = to;
            any = true;
        }
    if (any)
        document.rules = files;
}

void rewriteTexts(Document& document, const RuleRename& rename) {
    for (ScreenRef& ref : document.screens) {
        Screen next = *ref;
        bool any = false;
        for (WidgetRef& widget : next.widgets) {
            Widget copy = *widget;
            if (!rewriteTexts(copy, rename))
                continue;
            widget = std::make_shared<const Widget>(std::move(copy));
            any = true;
        }
        if (any)
            ref = std::make_shared<const Screen>(std::move(next));
    }
}

Result<Document> renameImage(const Document& document, std::string_view from, std::string_view to) {
    if (!document.image(from) || from == to)
        return document;
    if (const auto error = refuse(to, isTaken(document, to)))
        return tl::unexpected(*error);
    Document next = document;
    auto all = std::make_shared<std::vector<Image>>(*document.images);
    for (Image& each : *all) {
        if (each.name == from)
            each.name = to;
        if (each.recipe.paletteImage == from)
            each.recipe.paletteImage = to;
    }
    next.images = all;
    renameInProperties(next, PropertyType::Image, from, to);
    renameInInputs(next, InputType::Image, from, to);
    return next;
}

Result<Document> renameFace(const Document& document, std::string_view from, std::string_view to) {
    if (!document.face(from) || from == to)
        return document;
    if (const auto error = refuse(to, isTaken(document, to)))
        return tl::unexpected(*error);
    Document next = document;
    auto all = std::make_shared<std::vector<Face>>(*document.faces);
    for (Face& each : *all) {
        if (each.name == from)
            each.name = to;
        if (each.defaults.fallback == from)
            each.defaults.fallback = to;
        for (FontSize& size : each.sizes)
            if (size.settings.fallback == from)
                size.settings.fallback = to;
    }
    next.faces = all;
    renameInProperties(next, PropertyType::Font, from, to);
    return next;
}

// The parts of uses are known outside by names of their own, which no other screen has.
static RuleRename renameOfPart(const std::string& screen, const std::string& from, const std::string& to) {
    return {{Reference::What::Widget, from, screen, true, false}, to, to};
}

// A widget of an assembly gets another name: in its rules and events, and in the names of its parts in all uses.
static Document renamePart(const Document& document, const std::string& assembly, const std::string& from,
                           const std::string& to) {
    Document next = document;
    renameInRulesOf(next, assembly,
                    {{Reference::What::Widget, from, assembly, true, document.screenIndex(from) >= 0}, to, to});
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& each : screen->widgets)
            if (assemblyOf(*each) == assembly && !screen->assembly)
                renameInRulesOf(next, {}, renameOfPart(screen->name, each->name + "__" + from, each->name + "__" + to));
    renameInMeantSo(next, assembly, from, to);
    const int at = next.screenIndex(assembly);
    Screen screen = *next.screens[static_cast<size_t>(at)];
    Assembly drawn = *screen.assembly;
    for (ToldEvent& each : drawn.events)
        each.widget = each.widget == from ? to : each.widget;
    screen.assembly = std::make_shared<const Assembly>(std::move(drawn));
    next = withScreen(next, at, std::move(screen));
    return changeWidgets(next, assembly, std::span(&from, 1), [&](Widget& w) { w.name = to; });
}

Result<Document> renameWidget(const Document& document, std::string_view screen, std::string_view from,
                              std::string_view to) {
    const ScreenRef on = document.screen(screen);
    if (!on || widgetIndex(*on, from) < 0 || from == to)
        return document;
    if (const auto error = refuse(to, widgetIndex(*on, to) >= 0))
        return tl::unexpected(*error);
    const std::string name(from), fresh(to);
    const std::string where(screen);
    if (on->assembly)
        return renamePart(document, where, name, fresh);
    Document next = withClearShortNames(document, std::span(&fresh, 1));
    const bool isOnlyOne = !otherScreenHas(document, screen, from);
    renameInRulesOf(next, {},
                    {{Reference::What::Widget, name, where, isOnlyOne, document.screenIndex(name) >= 0},
                     fresh,
                     otherScreenHas(document, screen, to) ? where + "." + fresh : fresh});
    if (const Widget& use = *on->widgets[static_cast<size_t>(widgetIndex(*on, from))]; use.kind == Kind::Assembly)
        for (const std::string& part : partNames(document, use))
            renameInRulesOf(next, {}, renameOfPart(where, name + "__" + part, fresh + "__" + part));
    renameInMeantSo(next, screen, from, to);
    return changeWidgets(next, screen, std::span(&name, 1), [&](Widget& w) { w.name = fresh; });
}

Result<Document> renameScreen(const Document& document, std::string_view from, std::string_view to) {
    const int at = document.screenIndex(from);
    if (at < 0 || from == to)
        return document;
    if (const auto error = refuse(to, isTaken(document, to)))
        return tl::unexpected(*error);
    Screen screen = *document.screens[static_cast<size_t>(at)];
    screen.name = to;
    Document next = withScreen(document, at, std::move(screen));
    for (ScreenRef& each : next.screens)
        if (holds(each->below, from) || holds(each->above, from)) {
            Screen other = *each;
            std::replace(other.below.begin(), other.below.end(), std::string(from), std::string(to));
            std::replace(other.above.begin(), other.above.end(), std::string(from), std::string(to));
            each = std::make_shared<const Screen>(std::move(other));
        }
    if (next.screens[static_cast<size_t>(at)]->assembly)
        renameUses(next, from, to);
    renameInRules(next, {{Reference::What::Screen, std::string(from)}, std::string(to)});
    renameInMeantSo(next, from, {}, to);
    return next;
}

Result<Document> renameVariable(const Document& document, std::string_view from, std::string_view to) {
    if (!document.variable(from) || from == to)
        return document;
    if (isValueWord(to))
        return failure("", "", "\"" + std::string(to) + "\" is a value in rules", "Choose another name");
    if (const auto error = refuse(to, isTaken(document, to) || isTakenInRules(document, to)))
        return tl::unexpected(*error);
    Document next = document;
    auto all = std::make_shared<std::vector<Variable>>(*document.variables);
    for (Variable& each : *all)
        if (each.name == from)
            each.name = to;
    next.variables = all;
    const RuleRename rename{{Reference::What::Variable, std::string(from)}, std::string(to)};
    renameInRules(next, rename);
    rewriteTexts(next, rename);
    renameInProperties(next, PropertyType::Variable, from, to);
    renameInInputs(next, InputType::Variable, from, to);
    return next;
}

Result<Document> withChoices(const Document& document, std::string_view variable, std::vector<std::string> names) {
    const Variable* known = document.variable(variable);
    if (!known || known->choices == names)
        return document;
    if (const auto error = choicesError(names))
        return failure("", "", *error, "Write names such as idle, warming, hold");
    Document next = document;
    const auto rename = [&](const std::string& from, const std::string& to) {
        const RuleRename each{{Reference::What::Choice, from, std::string(variable)}, "\"" + to + "\""};
        renameInRules(next, each);
        rewriteTexts(next, each);
    };
    const auto isIn = [](const std::vector<std::string>& all, const std::string& name) {
        return std::find(all.begin(), all.end(), name) != all.end();
    };
    // One that is gone where a new one stands is renamed; what is only moved keeps its name.
    if (names.size() == known->choices.size())
        for (size_t i = 0; i < names.size(); ++i)
            if (!isIn(names, known->choices[i]) && !isIn(known->choices, names[i]))
                rename(known->choices[i], names[i]);
    auto all = std::make_shared<std::vector<Variable>>(*next.variables);
    for (Variable& each : *all) {
        if (each.name != variable)
            continue;
        const std::string start = valueInWords(each, each.start);
        const auto moved = std::find(names.begin(), names.end(), start);
        if (moved != names.end())
            each.start = static_cast<int32_t>(moved - names.begin());
        setChoices(each, names);
    }
    next.variables = all;
    return next;
}

Result<Document> renameLook(const Document& document, std::string_view from, std::string_view to) {
    if (!document.look(from) || from == to)
        return document;
    if (const auto error = refuse(to, isTaken(document, to)))
        return tl::unexpected(*error);
    Document next = document;
    auto all = std::make_shared<std::vector<Look>>(*document.looks);
    for (Look& each : *all) {
        if (each.name == from)
            each.name = to;
        if (each.basedOn == from)
            each.basedOn = to;
    }
    next.looks = all;
    for (const ScreenRef& screen : document.screens) {
        Names users;
        for (const WidgetRef& widget : screen->widgets)
            if (widget->look == from)
                users.push_back(widget->name);
        if (!users.empty())
            next = changeWidgets(next, screen->name, users, [&](Widget& w) { w.look = to; });
    }
    renameInInputs(next, InputType::Look, from, to);
    return next;
}

}  // namespace gorsefinch
