// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/focus_order.h"

#include <algorithm>
#include <charconv>
#include <map>

#include "core/document/arrange.h"
#include "core/document/widget_tree.h"
#include "core/scene/part_fonts.h"

namespace gorsefinch {

namespace {

constexpr int kMaxFocus = 999;

struct Reached {
    uint16_t number;
    int turn;  // 0: by place
    const Widget* widget;
    Offset origin;  // from which its box counts
};

// Nothing for "never", or after reporting what is neither.
std::optional<int> turnOf(ScreenPart& part, const Widget& widget) {
    if (widget.focus.empty())
        return 0;
    if (widget.focus == kNeverFocused)
        return std::nullopt;
    int turn = 0;
    const char* end = widget.focus.data() + widget.focus.size();
    const auto [at, error] = std::from_chars(widget.focus.data(), end, turn);
    if (error == std::errc() && at == end && turn >= 1 && turn <= kMaxFocus)
        return turn;
    reportIn(part, widget, Severity::Error, "\"" + widget.focus + "\" is no turn of the focus",
             "Write 1 to " + std::to_string(kMaxFocus) + ", never, or nothing for its place");
    return 0;
}

// What follows an expression is nowhere in particular.
int placeOf(const Widget& widget, const char* key, int place) { return widget.expressions.count(key) != 0 ? 0 : place; }

// Those that begin above the middle of the highest one that is left make a row.
void sortByPlace(std::vector<Reached>::iterator begin, std::vector<Reached>::iterator end) {
    const auto top = [](const Reached& each) { return placeOf(*each.widget, "y", each.widget->y) + each.origin.y; };
    const auto left = [](const Reached& each) { return placeOf(*each.widget, "x", each.widget->x) + each.origin.x; };
    std::stable_sort(begin, end, [&](const Reached& a, const Reached& b) { return top(a) < top(b); });
    while (begin != end) {
        const int middle = top(*begin) + std::max(1, placeOf(*begin->widget, "h", begin->widget->h) / 2);
        const auto rest = std::find_if(begin, end, [&](const Reached& each) { return top(each) >= middle; });
        std::stable_sort(begin, rest, [&](const Reached& a, const Reached& b) { return left(a) < left(b); });
        begin = rest;
    }
}

// The outermost pager, in a container, that a widget lies in; -1 if there is none.
int pagerOf(const std::vector<WidgetRef>& widgets, size_t at, int within) {
    int out = -1;
    // A page may be reached itself.
    if (static_cast<int>(at) == within)
        return out;
    for (int holder = containerOf(widgets, at); holder != within && holder >= 0;
         holder = containerOf(widgets, static_cast<size_t>(holder)))
        if (widgets[static_cast<size_t>(holder)]->kind == Kind::Pager)
            out = holder;
    return out;
}

// By place; what lies in a pager comes where that is, page by page.
void addInOrder(const std::vector<Reached>& all, const std::vector<WidgetRef>& widgets, int within,
                std::vector<uint16_t>& out) {
    std::map<int, std::vector<Reached>> paged;
    std::vector<Reached> own;
    for (const Reached& each : all) {
        const int pager = pagerOf(widgets, each.number, within);
        if (pager < 0) {
            own.push_back(each);
            continue;
        }
        if (paged[pager].empty())
            own.push_back({static_cast<uint16_t>(pager), 0, widgets[static_cast<size_t>(pager)].get(),
                           originIn(widgets, containerOf(widgets, static_cast<size_t>(pager)))});
        paged[pager].push_back(each);
    }
    sortByPlace(own.begin(), own.end());
    for (const Reached& each : own) {
        const auto pages = paged.find(each.number);
        if (pages == paged.end()) {
            out.push_back(each.number);
            continue;
        }
        for (const size_t page : childrenOf(widgets, each.number)) {
            std::vector<Reached> there;
            std::copy_if(pages->second.begin(), pages->second.end(), std::back_inserter(there),
                         [&](const Reached& at) { return at.number >= page && at.number < endOf(widgets, page); });
            addInOrder(there, widgets, static_cast<int>(page), out);
        }
    }
}

}  // namespace

std::vector<uint16_t> focusOrder(ScreenPart& part) {
    std::vector<Reached> reached;
    for (size_t i = 0; i < part.source->widgets.size(); ++i) {
        const Widget& widget = *part.source->widgets[i];
        if (!info(widget.kind).has(kIsTouched))
            continue;
        if (const auto turn = turnOf(part, widget))
            reached.push_back({static_cast<uint16_t>(i), *turn, &widget,
                               originIn(part.source->widgets, containerOf(part.source->widgets, i))});
    }
    const auto byPlace =
        std::stable_partition(reached.begin(), reached.end(), [](const Reached& each) { return each.turn != 0; });
    std::stable_sort(reached.begin(), byPlace, [](const Reached& a, const Reached& b) { return a.turn < b.turn; });
    std::vector<uint16_t> out;
    for (auto each = reached.begin(); each != byPlace; ++each)
        out.push_back(each->number);
    addInOrder({byPlace, reached.end()}, part.source->widgets, -1, out);
    return out;
}

}  // namespace gorsefinch
