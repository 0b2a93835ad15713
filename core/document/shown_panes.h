// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <set>
#include <span>
#include <string>

#include "core/document/widget_tree.h"

// What of pagers and drawers an editor shows, whatever the interface begins with.
namespace gorsefinch {

struct ShownPanes {
    std::map<std::string, std::string, std::less<>> pages;  // of pagers: the page that is shown; else the first
    std::set<std::string, std::less<>> open;                // drawers and keyboards
    friend bool operator==(const ShownPanes&, const ShownPanes&) = default;
};

// Shows what holds the named widgets, or is one of them: pages that were shown before stay, drawers close.
void showPanes(ShownPanes& panes, const Screen& screen, std::span<const std::string> names);

// Pixels by which a pager moves what it holds, so that the page that is shown lies in its box; nothing for others.
Offset panOfPages(const std::vector<WidgetRef>& widgets, size_t pager, const ShownPanes& panes);

// False for what lies on another page, or in a drawer that is closed.
bool isInSight(const std::vector<WidgetRef>& widgets, size_t at, const ShownPanes& panes);
// False for a drawer or keyboard that is closed.
inline bool isOpenPane(const Widget& widget, const ShownPanes& panes) {
    return !info(widget.kind).has(kOpens) || panes.open.count(widget.name) != 0;
}

}  // namespace gorsefinch
