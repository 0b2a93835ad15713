// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/tree_edits.h"

#include <algorithm>

#include "core/document/box.h"
#include "core/document/new_widget.h"
#include "core/document/names.h"
#include "core/document/widget_tree.h"
#include "core/edits/short_names.h"

namespace gorsefinch {

namespace {

// Of a widget and all that it holds.
Box boxOfBranch(const std::vector<WidgetRef>& widgets, size_t at) {
    Box out = boxOnPanel(widgets, at);
    for (size_t i = at + 1; i < endOf(widgets, at); ++i)
        out = united(out, boxOnPanel(widgets, i));
    return out;
}

void shiftExpression(Widget& widget, const char* key, int by) {
    const auto found = widget.expressions.find(key);
    if (found == widget.expressions.end() || by == 0)
        return;
    found->second = "(" + found->second + ")" + (by < 0 ? " - " : " + ") + std::to_string(std::abs(by));
}

WidgetRef shifted(const WidgetRef& widget, int x, int y, int depth) {
    auto out = std::make_shared<Widget>(*widget);
    setBox(*out, out->x + x, out->y + y, out->w, out->h);
    shiftExpression(*out, "x", x);
    shiftExpression(*out, "y", y);
    out->depth += depth;
    return out;
}

// The number where what lies at `to` among the widgets of a container begins.
size_t beginOf(const std::vector<WidgetRef>& widgets, int container, int to) {
    const size_t end = container < 0 ? widgets.size() : endOf(widgets, static_cast<size_t>(container));
    size_t at = container < 0 ? 0 : static_cast<size_t>(container) + 1;
    for (; to > 0 && at < end; --to)
        at = endOf(widgets, at);
    return std::min(at, end);
}

tl::unexpected<Error> refused(std::string_view place, const std::string& reason, const std::string& remedy) {
    return failure("", std::string(place), reason, remedy);
}

// Rules or expressions say where it is.
bool isPlacedByRules(const Document& document, const std::string& screen, const Widget& widget) {
    if (widget.expressions.count("x") + widget.expressions.count("y") != 0)
        return true;
    const auto lines = rulesAboutWidget(document, screen, widget.name);
    return std::any_of(lines.begin(), lines.end(), [&](const std::string& line) {
        return line.find(widget.name + ".x") != std::string::npos || line.find(widget.name + ".y") != std::string::npos;
    });
}

// What lies between the lowest and the topmost of the branches, which are to lie together, as high as the topmost or as
// low as the lowest. The widget that then lies on the other side of one that it covers; null if there is none.
const Widget* between(const Document& document, const std::vector<WidgetRef>& widgets, const std::vector<size_t>& tops,
                      bool high) {
    const auto isChosen = [&](size_t at) {
        return std::any_of(tops.begin(), tops.end(), [&](size_t top) { return at >= top && at < endOf(widgets, top); });
    };
    for (size_t i = tops.front(); i < tops.back(); ++i) {
        if (isChosen(i) || (info(widgets[i]->kind).has(kHolds) && !drawsBox(document, *widgets[i])))
            continue;
        for (const size_t top : tops)
            if ((high ? top < i : top > i) && boxOnPanel(widgets, i).meets(boxOfBranch(widgets, top)))
                return widgets[i].get();
    }
    return nullptr;
}

}  // namespace

Result<Document> moveInto(const Document& document, std::string_view screen, std::span<const std::string> names,
                          std::string_view container, int to) {
    const int number = document.screenIndex(screen);
    if (number < 0)
        return document;
    Screen next = *document.screens[static_cast<size_t>(number)];
    const std::vector<WidgetRef> all = next.widgets;
    const int into = widgetIndex(next, container);
    if (!container.empty() && (into < 0 || !info(all[static_cast<size_t>(into)]->kind).has(kHolds)))
        return refused(container, "it holds no widgets", "Put them into a group");
    const Offset origin = originIn(all, into);
    const int depth = into < 0 ? 0 : all[static_cast<size_t>(into)]->depth + 1;
    std::vector<WidgetRef> moved, rest;
    size_t from = 0;
    for (const size_t top : topmostOf(all, names)) {
        const size_t end = endOf(all, top);
        if (into >= static_cast<int>(top) && into < static_cast<int>(end))
            return refused(container, "it can't lie in itself", "Choose another place");
        const Offset place = placeOnPanel(all, top);
        for (size_t i = top; i < end; ++i) {
            const bool first = i == top;
            moved.push_back(shifted(all[i], first ? place.x - origin.x - all[i]->x : 0,
                                    first ? place.y - origin.y - all[i]->y : 0, depth - all[top]->depth));
            if (moved.back()->depth > kMaxDepth)
                return refused(all[top]->name, "containers lie at most " + std::to_string(kMaxDepth) + " deep",
                               "Take some of them apart");
        }
        rest.insert(rest.end(), all.begin() + static_cast<std::ptrdiff_t>(from),
                    all.begin() + static_cast<std::ptrdiff_t>(top));
        from = end;
    }
    rest.insert(rest.end(), all.begin() + static_cast<std::ptrdiff_t>(from), all.end());
    next.widgets = std::move(rest);
    const size_t at = beginOf(next.widgets, widgetIndex(next, container), to);
    next.widgets.insert(next.widgets.begin() + static_cast<std::ptrdiff_t>(at), moved.begin(), moved.end());
    straighten(next.widgets);
    return withScreen(document, number, std::move(next));
}

Result<Document> groupWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                              std::string* made) {
    const int number = document.screenIndex(screen);
    if (number < 0)
        return document;
    Screen next = *document.screens[static_cast<size_t>(number)];
    const std::vector<WidgetRef>& all = next.widgets;
    const std::vector<size_t> tops = topmostOf(all, names);
    if (tops.empty())
        return document;
    const bool high = between(document, all, tops, true) == nullptr;
    if (const Widget* other = high ? nullptr : between(document, all, tops, false))
        return refused(other->name, "it lies between what would be grouped, so that the picture would change",
                       "Raise or lower it first, or group it too");
    const size_t by = high ? tops.back() : tops.front();
    const int container = containerOf(all, by);
    const Offset origin = originIn(all, container);
    Box box = boxOfBranch(all, tops.front());
    bool placed = false;
    for (const size_t top : tops) {
        box = united(box, boxOfBranch(all, top));
        placed = placed || isPlacedByRules(document, next.name, *all[top]);
    }
    if (placed) {
        const Panel& panel = *document.panel;
        const Widget* holds = container < 0 ? nullptr : all[static_cast<size_t>(container)].get();
        box = {origin.x, origin.y, origin.x + (holds ? holds->w : panel.width),
               origin.y + (holds ? holds->h : panel.height)};
    }
    Widget group;
    group.kind = Kind::Group;
    group.name = uniqueName("group", [&](std::string_view name) { return widgetIndex(next, name) >= 0; });
    group.depth = all[by]->depth;
    setBox(group, box.x0 - origin.x, box.y0 - origin.y, box.x1 - box.x0, box.y1 - box.y0);
    const std::string name = group.name;
    const size_t at = high ? endOf(all, by) : by;
    next.widgets.insert(next.widgets.begin() + static_cast<std::ptrdiff_t>(at),
                        std::make_shared<const Widget>(std::move(group)));
    if (made)
        *made = name;
    return moveInto(withScreen(withClearShortNames(document, Names{name}), number, std::move(next)), screen, names,
                    name, 0);
}

Document ungroupWidgets(const Document& document, std::string_view screen, std::span<const std::string> names,
                        Names* freed) {
    Document next = document;
    for (const std::string& name : names) {
        const int number = next.screenIndex(screen);
        if (number < 0)
            return next;
        Screen changed = *next.screens[static_cast<size_t>(number)];
        std::vector<WidgetRef>& all = changed.widgets;
        const int found = widgetIndex(changed, name);
        if (found < 0 || all[static_cast<size_t>(found)]->kind != Kind::Group)
            continue;
        const auto at = static_cast<size_t>(found);
        const Offset origin = originIn(all, found), around = originIn(all, containerOf(all, at));
        const int depth = all[at]->depth;
        for (size_t i = at + 1; i < endOf(all, at); ++i) {
            const bool own = all[i]->depth == depth + 1;
            if (own && freed)
                freed->push_back(all[i]->name);
            all[i] = shifted(all[i], own ? origin.x - around.x : 0, own ? origin.y - around.y : 0, 0);
        }
        const size_t end = endOf(all, at);
        for (size_t i = at + 1; i < end; ++i)
            all[i] = shifted(all[i], 0, 0, -1);
        if (drawsBox(next, *all[at])) {
            auto left = std::make_shared<Widget>(*all[at]);
            left->kind = Kind::Rectangle;
            std::erase_if(left->properties,
                          [](const auto& each) { return !findProperty(Kind::Rectangle, each.first); });
            std::erase_if(left->expressions,
                          [](const auto& each) { return !findProperty(Kind::Rectangle, each.first); });
            all[at] = left;
        } else {
            all.erase(all.begin() + found);
        }
        straighten(all);
        next = withScreen(next, number, std::move(changed));
    }
    return next;
}

}  // namespace gorsefinch
