// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/widget_tree.h"

#include "core/kinds/panes.h"

#include <algorithm>

namespace gorsefinch {

namespace {

int wholeOf(const Widget& widget, std::string_view key) {
    const auto found = widget.properties.find(key);
    const auto* number = found == widget.properties.end() ? nullptr : std::get_if<int64_t>(&found->second);
    return number ? static_cast<int>(*number) : 0;
}

}  // namespace

size_t endOf(const std::vector<WidgetRef>& widgets, size_t at) {
    size_t end = at + 1;
    while (end < widgets.size() && widgets[end]->depth > widgets[at]->depth)
        ++end;
    return end;
}

int containerOf(const std::vector<WidgetRef>& widgets, size_t at) {
    const int depth = widgets[at]->depth;
    if (depth == 0)
        return -1;
    while (at-- > 0)
        if (widgets[at]->depth < depth)
            return static_cast<int>(at);
    return -1;
}

std::vector<int> containersOf(const std::vector<WidgetRef>& widgets) {
    std::vector<int> out, open;
    for (size_t i = 0; i < widgets.size(); ++i) {
        open.resize(static_cast<size_t>(widgets[i]->depth));
        out.push_back(open.empty() ? -1 : open.back());
        open.push_back(static_cast<int>(i));
    }
    return out;
}

int deepest(const std::vector<WidgetRef>& widgets) {
    int depth = 0;
    for (const WidgetRef& each : widgets)
        depth = std::max(depth, each->depth);
    return depth;
}

// True for what a container holds itself that shows one page of it at a time, in the same place.
static bool isPage(const std::vector<WidgetRef>& widgets, int container) {
    return container >= 0 && widgets[static_cast<size_t>(container)]->kind == Kind::Pager;
}

Offset originIn(const std::vector<WidgetRef>& widgets, int container) {
    Offset out;
    while (container >= 0) {
        const auto at = static_cast<size_t>(container);
        const Widget& holds = *widgets[at];
        container = containerOf(widgets, at);
        out.x -= wholeOf(holds, "pan_x");
        out.y -= wholeOf(holds, "pan_y");
        if (!isPage(widgets, container)) {
            out.x += holds.x;
            out.y += holds.y;
        }
    }
    return out;
}

Offset placeOnPanel(const std::vector<WidgetRef>& widgets, size_t at) {
    const int container = containerOf(widgets, at);
    const Offset origin = originIn(widgets, container);
    return isPage(widgets, container) ? origin : Offset{origin.x + widgets[at]->x, origin.y + widgets[at]->y};
}

uint8_t scrollOf(const Widget& widget) {
    if (const uint8_t pane = paneBits(widget))
        return pane;
    if (widget.kind == Kind::List)
        return GORSE_SCROLL_DOWN;
    const auto found = widget.properties.find("scroll");
    const auto* way = found == widget.properties.end() ? nullptr : std::get_if<std::string>(&found->second);
    return static_cast<uint8_t>(!way || !info(widget.kind).has(kHolds) ? 0
                                : *way == "across"                     ? GORSE_SCROLL_ACROSS
                                : *way == "down"                       ? GORSE_SCROLL_DOWN
                                : *way == "both"                       ? GORSE_SCROLL_ACROSS | GORSE_SCROLL_DOWN
                                                                       : 0);
}

bool clips(const Document& document, const Widget& container) {
    return scrollOf(container) != 0 || std::get<bool>(effectiveValue(document, container, "clip"));
}

bool drawsBox(const Document& document, const Widget& container) {
    const auto shows = [&](const char* key) {
        return (std::get<Colour>(effectiveValue(document, container, key)).argb >> 24) != 0;
    };
    return shows("fill") ||
           (shows("border") && std::get<int64_t>(effectiveValue(document, container, "border_width")) != 0);
}

bool hasOwnBox(const Document& document, const std::vector<WidgetRef>& widgets, size_t at) {
    const Widget& widget = *widgets[at];
    return !info(widget.kind).has(kHolds) || endOf(widgets, at) == at + 1 || clips(document, widget) ||
           drawsBox(document, widget);
}

void straighten(std::vector<WidgetRef>& widgets) {
    int most = 0;
    for (WidgetRef& each : widgets) {
        if (const int depth = std::clamp(each->depth, 0, most); depth != each->depth) {
            auto straight = std::make_shared<Widget>(*each);
            straight->depth = depth;
            each = straight;
        }
        most = info(each->kind).has(kHolds) ? std::min(each->depth + 1, kMaxDepth) : each->depth;
    }
}

std::vector<size_t> topmostOf(const std::vector<WidgetRef>& widgets, std::span<const std::string> names) {
    std::vector<size_t> out;
    for (size_t i = 0; i < widgets.size();) {
        if (std::find(names.begin(), names.end(), widgets[i]->name) == names.end()) {
            ++i;
            continue;
        }
        out.push_back(i);
        i = endOf(widgets, i);
    }
    return out;
}

std::vector<WidgetRef> branchesOf(const std::vector<WidgetRef>& widgets, std::span<const std::string> names) {
    std::vector<WidgetRef> out;
    for (const size_t top : topmostOf(widgets, names))
        for (size_t i = top; i < endOf(widgets, top); ++i) {
            if (widgets[top]->depth == 0) {
                out.push_back(widgets[i]);
                continue;
            }
            auto shallower = std::make_shared<Widget>(*widgets[i]);
            shallower->depth -= widgets[top]->depth;
            out.push_back(shallower);
        }
    return out;
}

}  // namespace gorsefinch
