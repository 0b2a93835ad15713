// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/tree_order.h"

#include <algorithm>

namespace gorsefinch {

namespace {

struct Branch {
    WidgetRef widget;
    std::vector<Branch> inside;
};
using Branches = std::vector<Branch>;

Branches toBranches(const std::vector<WidgetRef>& widgets, size_t& at, int depth) {
    Branches out;
    while (at < widgets.size() && widgets[at]->depth >= depth) {
        const WidgetRef& widget = widgets[at++];
        out.push_back({widget, toBranches(widgets, at, widget->depth + 1)});
    }
    return out;
}

void toList(const Branches& branches, std::vector<WidgetRef>& out) {
    for (const Branch& each : branches) {
        out.push_back(each.widget);
        toList(each.inside, out);
    }
}

template <typename Chosen>
void reorder(Branches& all, const Chosen& chosen, Depth where) {
    if (where == Depth::ToTop) {
        std::stable_partition(all.begin(), all.end(), [&](const Branch& each) { return !chosen(each); });
    } else if (where == Depth::ToBottom) {
        std::stable_partition(all.begin(), all.end(), chosen);
    } else if (where == Depth::Raise) {
        for (size_t i = all.size(); i-- > 1;)
            if (chosen(all[i - 1]) && !chosen(all[i]))
                std::swap(all[i - 1], all[i]);
    } else {
        for (size_t i = 1; i < all.size(); ++i)
            if (chosen(all[i]) && !chosen(all[i - 1]))
                std::swap(all[i - 1], all[i]);
    }
    for (Branch& each : all)
        reorder(each.inside, chosen, where);
}

}  // namespace

void reorderBranches(std::vector<WidgetRef>& widgets, std::span<const std::string> names, Depth where) {
    size_t at = 0;
    Branches all = toBranches(widgets, at, 0);
    reorder(
        all,
        [&](const Branch& each) { return std::find(names.begin(), names.end(), each.widget->name) != names.end(); },
        where);
    widgets.clear();
    toList(all, widgets);
}

}  // namespace gorsefinch
