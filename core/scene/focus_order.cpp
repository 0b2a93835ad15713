// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/focus_order.h"

#include <algorithm>
#include <charconv>

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
    sortByPlace(byPlace, reached.end());
    std::vector<uint16_t> out;
    for (const Reached& each : reached)
        out.push_back(each.number);
    return out;
}

}  // namespace gorsefinch
