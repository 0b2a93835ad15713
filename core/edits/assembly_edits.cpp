// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/assembly_edits.h"

#include <algorithm>
#include <set>

#include "core/document/names.h"
#include "core/document/widget_tree.h"
#include "core/edits/rename_texts.h"
#include "core/edits/short_names.h"
#include "core/rules/rename.h"
#include "core/rules/rule_words.h"
#include "core/assemblies/assemblies.h"

namespace gorsefinch {

namespace {

bool isUseOf(const Widget& widget, std::string_view assembly) {
    return widget.kind == Kind::Assembly && assemblyOf(widget) == assembly;
}

// The box around widgets, from their left, top, right and bottom.
struct Bounds {
    int left = kMaxPanelSide, top = kMaxPanelSide, right = -kMaxPanelSide, bottom = -kMaxPanelSide;
};

Bounds around(const std::vector<WidgetRef>& widgets) {
    Bounds out;
    for (const WidgetRef& each : widgets) {
        if (each->depth != 0)
            continue;
        out.left = std::min(out.left, each->x);
        out.top = std::min(out.top, each->y);
        out.right = std::max(out.right, each->x + each->w);
        out.bottom = std::max(out.bottom, each->y + each->h);
    }
    return out;
}

// What a widget speaks of, with other names.
void speakOf(Widget& widget, const RuleRename& rename) {
    for (auto& [key, text] : widget.expressions)
        text = renamedExpression(text, rename);
    for (auto& [key, value] : widget.properties)
        if (auto* text = std::get_if<std::string>(&value))
            if (const PropertyInfo* property = findProperty(widget.kind, key);
                property && property->type == PropertyType::Text)
                *text = renamedText(*text, rename);
    for (auto& [input, text] : widget.inputs)
        if (const auto expression = expressionText(text))
            text = "= " + renamedExpression(*expression, rename);
        else
            text = renamedText(text, rename);
}

// Changes the widgets of all screens; those that stay the same stay shared.
Document withEachWidget(const Document& document, const std::function<bool(const Screen&, Widget&)>& change) {
    Document next = document;
    for (ScreenRef& screen : next.screens) {
        std::shared_ptr<Screen> changed;
        for (size_t i = 0; i < screen->widgets.size(); ++i) {
            Widget widget = *screen->widgets[i];
            if (!change(*screen, widget))
                continue;
            if (!changed)
                changed = std::make_shared<Screen>(*screen);
            changed->widgets[i] = std::make_shared<const Widget>(std::move(widget));
        }
        if (changed)
            screen = changed;
    }
    return next;
}

Document withRulesOf(const Document& document, const std::function<std::string(const RuleFile&)>& text) {
    Document next = document;
    auto files = std::make_shared<std::vector<RuleFile>>(*document.rules);
    for (RuleFile& each : *files)
        each.text = text(each);
    next.rules = files;
    return next;
}

// Puts something else in the place of "use.input", wherever the project speaks of it.
Document withUses(const Document& document, const InputOfUse& uses) {
    Document next = withRulesOf(document, [&](const RuleFile& file) { return rulesWithUses(file.text, uses); });
    return withEachWidget(next, [&](const Screen&, Widget& widget) {
        bool any = false;
        const auto take = [&](std::string& text, std::string fresh) {
            any = any || text != fresh;
            text = std::move(fresh);
        };
        for (auto& [key, text] : widget.expressions)
            take(text, expressionWithUses(text, uses));
        for (auto& [key, value] : widget.properties)
            if (auto* text = std::get_if<std::string>(&value))
                if (const PropertyInfo* property = findProperty(widget.kind, key);
                    property && property->type == PropertyType::Text)
                    take(*text, textWithUses(*text, uses));
        return any;
    });
}

void renameInputIn(Widget& widget, const std::string& from, const std::string& to) {
    speakOf(widget, {{Reference::What::Variable, from}, to});
    if (widget.look == from)
        widget.look = to;
    for (auto& [key, value] : widget.properties) {
        const PropertyInfo* property = findProperty(widget.kind, key);
        if (auto* named = std::get_if<ValueName>(&value); named && named->name == from)
            named->name = to;
        else if (auto* zones = std::get_if<ZoneList>(&value))
            for (Zone& each : *zones)
                each.named = each.named == from ? to : each.named;
        else if (auto* text = std::get_if<std::string>(&value);
                 text && *text == from && property &&
                 (property->type == PropertyType::Variable || property->type == PropertyType::Image))
            *text = to;
    }
    for (auto& [input, text] : widget.inputs)
        if (text == from)
            text = to;
}

std::optional<std::string> assemblyError(const Assembly& assembly) {
    std::set<std::string> known;
    for (const AssemblyInput& each : assembly.inputs) {
        if (const auto error = nameError(each.name))
            return error;
        if (isValueWord(each.name))
            return "\"" + each.name + "\" is a value in rules";
        if (!known.insert(each.name).second)
            return "the name \"" + each.name + "\" is there twice";
        if (each.type == InputType::Choice)
            if (const auto error = choicesError(each.choices))
                return error;
        if (each.min > each.max)
            return "the minimum of " + each.name + " is above its maximum";
        if (const auto error = inputError(each, each.start))
            return "the start value of " + each.name + " is \"" + each.start + "\": " + *error;
    }
    for (const ToldEvent& each : assembly.events) {
        if (const auto error = nameError(each.name))
            return error;
        if (!known.insert(each.name).second)
            return "the name \"" + each.name + "\" is there twice";
    }
    return std::nullopt;
}

}  // namespace

Result<Document> makeAssembly(const Document& document, std::string_view screen, std::span<const std::string> names,
                              std::string_view assembly, std::string* use) {
    const ScreenRef from = document.screen(screen);
    std::vector<WidgetRef> taken = from ? branchesOf(from->widgets, names) : std::vector<WidgetRef>();
    if (taken.empty())
        return failure("", "", "there is no widget to make an assembly of", "Select some");
    if (const auto error = nameError(assembly))
        return failure("", "", *error, "Choose another name");
    const bool hasRules = std::any_of(document.rules->begin(), document.rules->end(),
                                      [&](const RuleFile& each) { return each.name == assembly; });
    if (isTaken(document, assembly) || hasRules)
        return failure("", "", "the name \"" + std::string(assembly) + "\" is taken", "Choose another name");
    const size_t top = topmostOf(from->widgets, names).back();
    const int container = containerOf(from->widgets, top);
    for (const size_t each : topmostOf(from->widgets, names))
        if (containerOf(from->widgets, each) != container)
            return failure("", "", "the widgets lie in different containers", "Select some of one container");
    const Bounds box = around(taken);
    Screen made;
    made.name = assembly;
    made.background = from->background;
    made.ground = from->ground;
    Assembly drawn;
    drawn.width = std::clamp(box.right - box.left, 1, kMaxPanelSide);
    drawn.height = std::clamp(box.bottom - box.top, 1, kMaxPanelSide);
    made.assembly = std::make_shared<const Assembly>(drawn);
    Widget place = newUse(document, *from, std::string(assembly), box.left, box.top);
    place.w = drawn.width;
    place.h = drawn.height;
    Document next = removeWidgets(document, screen, names);
    Names added;
    next = addWidgets(next, screen, {place}, &added,
                      container < 0 ? std::string() : from->widgets[static_cast<size_t>(container)]->name);
    const std::string on(screen), name(assembly);
    std::vector<Widget> moved;
    for (const WidgetRef& each : taken) {
        moved.push_back(*each);
        if (each->depth == 0) {
            moved.back().x -= box.left;
            moved.back().y -= box.top;
        }
    }
    for (const WidgetRef& each : taken) {
        RuleRename rename{{Reference::What::Widget, each->name, on, !otherScreenHas(document, screen, each->name),
                           document.screenIndex(each->name) >= 0},
                          added.front() + "__" + each->name,
                          added.front() + "__" + each->name};
        renameInRules(next, rename);
        rewriteTexts(next, rename);
        rename.to = rename.toShort = each->name;
        rename.toOwner = name;
        for (Widget& widget : moved)
            speakOf(widget, rename);
    }
    for (Widget& each : moved)
        made.widgets.push_back(std::make_shared<const Widget>(std::move(each)));
    next.screens.push_back(std::make_shared<const Screen>(std::move(made)));
    if (use)
        *use = added.front();
    return next;
}

Widget newUse(const Document& document, const Screen& screen, const std::string& assembly, int x, int y) {
    Widget out;
    out.kind = Kind::Assembly;
    out.name =
        uniqueName(assembly, [&](std::string_view each) { return widgetIndex(screen, each) >= 0 || each == assembly; });
    out.properties[kOfKey] = assembly;
    const ScreenRef of = assemblyScreen(document, assembly);
    setBox(out, x, y, of ? of->assembly->width : out.w, of ? of->assembly->height : out.h);
    return out;
}

bool mayUse(const Document& document, const Screen& screen, const std::string& assembly) {
    const ScreenRef of = assemblyScreen(document, assembly);
    if (!of || of->name == screen.name)
        return false;
    // The assemblies that it holds, each once.
    std::vector<std::string> all{assembly};
    for (size_t i = 0; i < all.size(); ++i)
        if (const ScreenRef each = assemblyScreen(document, all[i]))
            for (const WidgetRef& widget : each->widgets)
                if (const std::string inner = assemblyOf(*widget);
                    !inner.empty() && std::find(all.begin(), all.end(), inner) == all.end())
                    all.push_back(inner);
    return std::find(all.begin(), all.end(), screen.name) == all.end();
}

size_t usesOf(const Document& document, std::string_view assembly) {
    size_t count = 0;
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& each : screen->widgets)
            count += isUseOf(*each, assembly) ? 1 : 0;
    return count;
}

// Gives what was made for uses that are loose now names as users give them.
static Document withPlainNames(Document document, const std::string& screen, const std::set<std::string>& uses) {
    const auto plain = [](std::string name) {
        for (size_t at = name.find("__"); at != std::string::npos; at = name.find("__"))
            name.erase(at, 1);
        return name;
    };
    const auto isOf = [&](const std::string& name, const std::string& before) {
        return std::any_of(uses.begin(), uses.end(),
                           [&](const std::string& use) { return name.starts_with(before + use + "__"); });
    };
    for (const WidgetRef& each : std::vector<WidgetRef>(document.screen(screen)->widgets))
        if (isOf(each->name, {})) {
            const ScreenRef now = document.screen(screen);
            const std::string name =
                uniqueName(plain(each->name), [&](std::string_view taken) { return widgetIndex(*now, taken) >= 0; });
            if (auto renamed = renameWidget(document, screen, each->name, name))
                document = std::move(*renamed);
        }
    for (const Variable& each : std::vector<Variable>(*document.variables))
        if (isOf(each.name, screen + "__")) {
            const std::string name = uniqueName(plain(each.name), [&](std::string_view taken) {
                return isTaken(document, taken) || isTakenInRules(document, taken);
            });
            if (auto renamed = renameVariable(document, each.name, name))
                document = std::move(*renamed);
        }
    return document;
}

Result<Document> takeLoose(const Document& document, std::string_view screen, std::span<const std::string> names) {
    const int number = document.screenIndex(screen);
    if (number < 0)
        return document;
    const Document shown = Assembler().assemble(document).document;
    const Screen& from = *shown.screens[static_cast<size_t>(number)];
    Screen next = *document.screens[static_cast<size_t>(number)];
    std::vector<WidgetRef> widgets;
    std::set<std::string> loose;
    for (const WidgetRef& each : next.widgets) {
        if (each->kind != Kind::Assembly || std::find(names.begin(), names.end(), each->name) == names.end()) {
            widgets.push_back(each);
            continue;
        }
        loose.insert(each->name);
        const auto at = static_cast<size_t>(widgetIndex(from, each->name));
        for (size_t i = at; i < endOf(from.widgets, at); ++i)
            widgets.push_back(from.widgets[i]);
    }
    if (loose.empty())
        return document;
    next.widgets = std::move(widgets);
    Document out = withScreen(document, number, std::move(next));
    for (const Variable& each : *shown.variables)
        for (const std::string& use : loose)
            if (!document.variable(each.name) && each.name.starts_with(std::string(screen) + "__" + use + "__"))
                out = withVariable(out, each);
    out = withUses(out, [&](std::string_view on, std::string_view widget, std::string_view input) {
        const bool isHere = on == screen || (on.empty() && !otherScreenHas(document, screen, widget));
        std::optional<std::string> value;
        for (const AssemblyUse& each : from.uses ? *from.uses : std::vector<AssemblyUse>()) {
            if (isHere && each.widget == widget && loose.count(each.widget) != 0) {
                if (const auto found = each.values.find(std::string(input)); found != each.values.end())
                    value = found->second;
                else if (const auto event = each.events.find(std::string(input)); event != each.events.end())
                    value = std::string(screen) + "." + event->second;
            }
        }
        return value;
    });
    return withPlainNames(std::move(out), std::string(screen), loose);
}

Result<Document> setInput(const Document& document, std::string_view screen, std::span<const std::string> names,
                          std::string_view input, const std::string& text) {
    const ScreenRef on = document.screen(screen);
    for (const WidgetRef& each : on ? on->widgets : std::vector<WidgetRef>()) {
        if (std::find(names.begin(), names.end(), each->name) == names.end())
            continue;
        const ScreenRef of = assemblyScreen(document, assemblyOf(*each));
        const AssemblyInput* known = of ? of->assembly->input(input) : nullptr;
        const auto error = known ? inputError(*known, text) : std::optional<std::string>("there is no such input");
        if (error)
            return failure("", each->name + "." + std::string(input), *error, "Correct it");
    }
    return changeWidgets(document, screen, names, [&](Widget& widget) {
        if (text.empty())
            widget.inputs.erase(std::string(input));
        else
            widget.inputs.insert_or_assign(std::string(input), text);
    });
}

Result<Document> withAssembly(const Document& document, std::string_view name, const Assembly& assembly) {
    const int at = document.screenIndex(name);
    if (at < 0 || !document.screens[static_cast<size_t>(at)]->assembly)
        return document;
    if (const auto error = assemblyError(assembly))
        return failure("", std::string(name), *error, "Correct it");
    if (assembly.inputs.size() > kMaxInputs || assembly.events.size() > kMaxToldEvents)
        return failure("", std::string(name), "an assembly has at most " + std::to_string(kMaxInputs) + " inputs",
                       "Take some out");
    Screen screen = *document.screens[static_cast<size_t>(at)];
    screen.assembly = std::make_shared<const Assembly>(assembly);
    const Document next = withScreen(document, at, std::move(screen));
    return withEachWidget(next, [&](const Screen&, Widget& widget) {
        return isUseOf(widget, name) &&
               std::erase_if(widget.inputs, [&](const auto& each) { return !assembly.input(each.first); }) != 0;
    });
}

Result<Document> renameInput(const Document& document, std::string_view assembly, std::string_view from,
                             std::string_view to) {
    const ScreenRef of = assemblyScreen(document, assembly);
    if (!of || !of->assembly->input(from) || from == to)
        return document;
    Assembly next = *of->assembly;
    for (AssemblyInput& each : next.inputs)
        if (each.name == from)
            each.name = to;
    if (const auto error = assemblyError(next))
        return failure("", std::string(assembly), *error, "Choose another name");
    const std::string was(from), is(to);
    Document out = withEachWidget(document, [&](const Screen& screen, Widget& widget) {
        bool any = screen.name == assembly;
        if (any)
            renameInputIn(widget, was, is);
        if (isUseOf(widget, assembly))
            if (auto node = widget.inputs.extract(was)) {
                node.key() = is;
                widget.inputs.insert(std::move(node));
                any = true;
            }
        return any;
    });
    out = withRulesOf(out, [&](const RuleFile& file) {
        return file.name == assembly ? renamedRules(file.text, {{Reference::What::Variable, was}, is}) : file.text;
    });
    out = withUses(
        out,
        [&](std::string_view screen, std::string_view widget, std::string_view input) -> std::optional<std::string> {
            for (const ScreenRef& each : document.screens)
                for (const WidgetRef& use : each->widgets)
                    if (input == was && use->name == widget && (screen.empty() || screen == each->name) &&
                        isUseOf(*use, assembly))
                        return (screen.empty() ? "" : std::string(screen) + ".") + std::string(widget) + "." + is;
            return std::nullopt;
        });
    return withAssembly(out, assembly, next);
}

}  // namespace gorsefinch
