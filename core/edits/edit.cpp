// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/edit.h"

#include <algorithm>
#include <filesystem>

#include "core/document/arrange.h"
#include "core/document/names.h"
#include "core/document/widget_tree.h"
#include "core/edits/short_names.h"

namespace gorsefinch {

namespace {

bool holds(std::span<const std::string> names, const std::string& name) {
    return std::find(names.begin(), names.end(), name) != names.end();
}

template <typename T>
Shared<std::vector<T>> changed(const Shared<std::vector<T>>& all, const std::function<void(std::vector<T>&)>& change) {
    auto next = std::make_shared<std::vector<T>>(*all);
    change(*next);
    return next;
}

template <typename T>
Shared<std::vector<T>> withNamed(const Shared<std::vector<T>>& all, const T& value) {
    return changed<T>(all, [&](std::vector<T>& next) {
        const auto at = std::find_if(next.begin(), next.end(), [&](const T& each) { return each.name == value.name; });
        if (at == next.end())
            next.push_back(value);
        else
            *at = value;
    });
}

Document editScreen(const Document& document, std::string_view name, const std::function<void(Screen&)>& change) {
    const int at = document.screenIndex(name);
    if (at < 0)
        return document;
    Screen next = *document.screens[static_cast<size_t>(at)];
    change(next);
    straighten(next.widgets);
    return withScreen(document, at, std::move(next));
}

}  // namespace

Document withScreen(const Document& document, int index, Screen screen) {
    Document next = document;
    arrange(screen.widgets, *document.named);
    next.screens[static_cast<size_t>(index)] = std::make_shared<const Screen>(std::move(screen));
    return next;
}

Document changeWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                       const std::function<void(Widget&)>& change) {
    return editScreen(document, screen, [&](Screen& next) {
        for (size_t i = 0; i < next.widgets.size(); ++i) {
            if (!holds(names, next.widgets[i]->name))
                continue;
            Widget widget = *next.widgets[i];
            const int w = widget.w, h = widget.h;
            change(widget);
            next.widgets[i] = std::make_shared<const Widget>(widget);
            if (info(widget.kind).has(kHolds) && (widget.w != w || widget.h != h))
                followEdges(next.widgets, static_cast<int>(i), w, h, widget.w, widget.h, names);
        }
    });
}

Document addWidgets(const Document& document, std::string_view screen, std::vector<Widget> widgets, Names* added,
                    std::string_view container) {
    const ScreenRef on = document.screen(screen);
    if (!on || on->widgets.size() + widgets.size() > kMaxWidgets)
        return document;
    NameSet taken;
    for (const WidgetRef& each : on->widgets)
        taken.insert(each->name);
    Names names;
    const int into = widgetIndex(*on, container);
    const int depth = into < 0 ? 0 : on->widgets[static_cast<size_t>(into)]->depth + 1;
    const size_t at = into < 0 ? on->widgets.size() : endOf(on->widgets, static_cast<size_t>(into));
    for (Widget& widget : widgets) {
        widget.name = taken.unique(widget.name);
        widget.depth += depth;
        names.push_back(widget.name);
    }
    if (added)
        added->insert(added->end(), names.begin(), names.end());
    return editScreen(withClearShortNames(document, names), screen, [&](Screen& next) {
        std::vector<WidgetRef> refs;
        for (Widget& widget : widgets)
            refs.push_back(std::make_shared<const Widget>(std::move(widget)));
        next.widgets.insert(next.widgets.begin() + static_cast<std::ptrdiff_t>(at), refs.begin(), refs.end());
    });
}

Document removeWidgets(const Document& document, std::string_view screen, std::span<const std::string> names) {
    return editScreen(document, screen, [&](Screen& next) {
        std::vector<WidgetRef> kept;
        for (size_t i = 0; i < next.widgets.size();)
            if (holds(names, next.widgets[i]->name))
                i = endOf(next.widgets, i);
            else
                kept.push_back(next.widgets[i++]);
        next.widgets = std::move(kept);
    });
}

Document reorderWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                        Depth where) {
    return editScreen(document, screen, [&](Screen& next) { reorderBranches(next.widgets, names, where); });
}

void setBox(Widget& widget, int x, int y, int w, int h) {
    const int sides[] = {x, y, w, h};
    for (size_t i = 0; i < std::size(sides); ++i)
        if (const PropertyInfo& side = placeProperties()[i]; widget.expressions.count(side.key) == 0)
            widget.*side.number = std::clamp(sides[i], side.min, side.max);
}

Result<Document> setProperty(const Document& document, std::string_view screen, std::span<const std::string> names,
                             std::string_view key, const PropertyValue& value) {
    if (key == "look") {
        const auto* look = std::get_if<std::string>(&value);
        if (!look || (!look->empty() && !document.look(*look)))
            return failure("", "look", "there is no such look", "Choose one of the list");
        return changeWidgets(document, screen, names, [&](Widget& widget) { widget.look = *look; });
    }
    const ScreenRef on = document.screen(screen);
    if (!on)
        return document;
    for (const WidgetRef& each : on->widgets) {
        const PropertyInfo* property = holds(names, each->name) ? findProperty(each->kind, key) : nullptr;
        if (!property || fits(*property, value))
            continue;
        const std::string range =
            property->type == PropertyType::Whole
                ? "It goes from " + std::to_string(property->min) + " to " + std::to_string(property->max)
                : "It takes another type of value";
        return failure("", each->name + "." + std::string(key), "that value does not fit", range);
    }
    return changeWidgets(document, screen, names, [&](Widget& widget) {
        const PropertyInfo* property = findProperty(widget.kind, key);
        if (!property)
            return;
        setOwnValue(widget, *property, value);
        widget.expressions.erase(property->key);
    });
}

Result<Document> setExpression(const Document& document, std::string_view screen, std::span<const std::string> names,
                               std::string_view key, std::string_view expression) {
    if (expression.size() > kMaxExpression)
        return failure("", std::string(key),
                       "the expression is longer than " + std::to_string(kMaxExpression) + " bytes",
                       "Divide it with a variable");
    const ScreenRef on = document.screen(screen);
    if (!on)
        return document;
    for (const WidgetRef& each : on->widgets)
        if (const PropertyInfo* property = holds(names, each->name) ? findProperty(each->kind, key) : nullptr;
            property && !property->takesExpression())
            return failure("", each->name + "." + std::string(key), "it takes no expression", "Give it a value");
    return changeWidgets(document, screen, names, [&](Widget& widget) {
        const PropertyInfo* property = findProperty(widget.kind, key);
        if (!property)
            return;
        // Its place stays, as where it is drawn on the canvas.
        widget.properties.erase(property->key);
        widget.expressions.insert_or_assign(property->key, std::string(expression));
    });
}

Document clearProperty(const Document& document, std::string_view screen, std::span<const std::string> names,
                       std::string_view key) {
    return changeWidgets(document, screen, names, [&](Widget& widget) {
        if (const auto at = widget.properties.find(key); at != widget.properties.end())
            widget.properties.erase(at);
        if (const auto at = widget.expressions.find(key); at != widget.expressions.end())
            widget.expressions.erase(at);
    });
}

Document addScreen(const Document& document, int after, std::string_view name) {
    Screen screen;
    screen.name = uniqueName(name, [&](std::string_view each) { return isTaken(document, each); });
    if (!document.screens.empty()) {
        screen.background = document.screens.front()->background;
        screen.ground = document.screens.front()->ground;
    }
    Document next = document;
    const int at = std::clamp(after + 1, 0, static_cast<int>(shownScreens(next)));
    next.screens.insert(next.screens.begin() + at, std::make_shared<const Screen>(std::move(screen)));
    return next;
}

Document duplicateScreen(const Document& document, int index) {
    if (index < 0 || index >= static_cast<int>(document.screens.size()))
        return document;
    Screen copy = *document.screens[static_cast<size_t>(index)];
    copy.name = uniqueName(copy.name, [&](std::string_view each) { return isTaken(document, each); });
    Names names;
    for (const WidgetRef& widget : copy.widgets)
        names.push_back(widget->name);
    Document next = withClearShortNames(document, names);
    next.screens.insert(next.screens.begin() + index + 1, std::make_shared<const Screen>(std::move(copy)));
    return next;
}

Document removeScreen(const Document& document, int index) {
    Document next = document;
    if (index < 0 || index >= static_cast<int>(next.screens.size()))
        return next;
    if (shownScreens(next) < 2 && !next.screens[static_cast<size_t>(index)]->assembly)
        return next;
    const std::string name = next.screens[static_cast<size_t>(index)]->name;
    next.screens.erase(next.screens.begin() + index);
    for (ScreenRef& each : next.screens)
        if (holds(each->below, name) || holds(each->above, name)) {
            Screen other = *each;
            std::erase(other.below, name);
            std::erase(other.above, name);
            each = std::make_shared<const Screen>(std::move(other));
        }
    return next;
}

Document moveScreen(const Document& document, int from, int to) {
    Document next = document;
    const int count = static_cast<int>(next.screens.size());
    if (from < 0 || from >= count)
        return next;
    const ScreenRef screen = next.screens[static_cast<size_t>(from)];
    // Those that draw assemblies stay behind the others.
    const int shown = static_cast<int>(shownScreens(document));
    next.screens.erase(next.screens.begin() + from);
    const int at = screen->assembly ? std::clamp(to, shown, count - 1) : std::clamp(to, 0, shown - 1);
    next.screens.insert(next.screens.begin() + at, screen);
    return next;
}

Document withVariable(const Document& document, const Variable& variable) {
    Document next = document;
    next.variables = withNamed(document.variables, variable);
    return next;
}

Document removeVariable(const Document& document, std::string_view name) {
    Document next = document;
    next.variables = changed<Variable>(document.variables, [&](std::vector<Variable>& all) {
        std::erase_if(all, [&](const Variable& each) { return each.name == name; });
    });
    return next;
}

Document withLook(const Document& document, const Look& look) {
    Document next = document;
    next.looks = withNamed(document.looks, look);
    return next;
}

Document withClock(const Document& document, const std::optional<Clock>& clock) {
    Document next = document;
    next.clock = clock ? std::make_shared<const Clock>(*clock) : nullptr;
    return next;
}

Document withPanel(const Document& document, const Panel& panel) {
    Document next = document;
    next.panel = std::make_shared<const Panel>(panel);
    if (panel.width == document.panel->width && panel.height == document.panel->height)
        return next;
    for (ScreenRef& each : next.screens) {
        // An assembly has edges of its own.
        if (each->assembly)
            continue;
        Screen screen = *each;
        followEdges(screen.widgets, -1, document.panel->width, document.panel->height, panel.width, panel.height);
        arrange(screen.widgets, *document.named);
        if (screen.widgets != each->widgets)
            each = std::make_shared<const Screen>(std::move(screen));
    }
    return next;
}

Document withRules(const Document& document, std::string_view file, std::string text) {
    Document next = document;
    next.rules = withNamed(document.rules, RuleFile{std::string(file), std::move(text)});
    return next;
}

bool isTakenInRules(const Document& document, std::string_view name) {
    return document.variable(name) || document.named->has(name) ||
           (name == kThemeName && document.named->setCount() > 1);
}

bool isTaken(const Document& document, std::string_view name) {
    return document.screenIndex(name) >= 0 || document.variable(name) || document.look(name) || document.image(name) ||
           document.face(name) ||
           std::find(document.unreadScreens->begin(), document.unreadScreens->end(), name) !=
               document.unreadScreens->end();
}

}  // namespace gorsefinch
