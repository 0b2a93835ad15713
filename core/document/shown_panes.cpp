// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/shown_panes.h"

#include "core/document/arrange.h"

namespace gorsefinch {

namespace {

// The number of the page that a pager shows; nothing if it has none.
std::optional<size_t> shownPage(const std::vector<WidgetRef>& widgets, size_t pager, const ShownPanes& panes) {
    const std::vector<size_t> pages = childrenOf(widgets, static_cast<int>(pager));
    if (pages.empty())
        return std::nullopt;
    if (const auto found = panes.pages.find(widgets[pager]->name); found != panes.pages.end())
        for (const size_t each : pages)
            if (widgets[each]->name == found->second)
                return each;
    return pages.front();
}

}  // namespace

void showPanes(ShownPanes& panes, const Screen& screen, std::span<const std::string> names) {
    panes.open.clear();
    const auto& widgets = screen.widgets;
    for (const std::string& name : names)
        for (int at = widgetIndex(screen, name); at >= 0;) {
            const WidgetRef& widget = widgets[static_cast<size_t>(at)];
            if (info(widget->kind).has(kOpens))
                panes.open.insert(widget->name);
            const int holder = containerOf(widgets, static_cast<size_t>(at));
            if (holder >= 0 && widgets[static_cast<size_t>(holder)]->kind == Kind::Pager)
                panes.pages.insert_or_assign(widgets[static_cast<size_t>(holder)]->name, widget->name);
            at = holder;
        }
}

Offset panOfPages(const std::vector<WidgetRef>& widgets, size_t pager, const ShownPanes& panes) {
    if (widgets[pager]->kind != Kind::Pager)
        return {};
    const auto page = shownPage(widgets, pager, panes);
    return page ? Offset{widgets[*page]->x, widgets[*page]->y} : Offset{};
}

bool isInSight(const std::vector<WidgetRef>& widgets, size_t at, const ShownPanes& panes) {
    for (int holder = containerOf(widgets, at); holder >= 0; holder = containerOf(widgets, at)) {
        const auto number = static_cast<size_t>(holder);
        if (!isOpenPane(*widgets[number], panes) ||
            (widgets[number]->kind == Kind::Pager && shownPage(widgets, number, panes) != at))
            return false;
        at = number;
    }
    return true;
}

}  // namespace gorsefinch
