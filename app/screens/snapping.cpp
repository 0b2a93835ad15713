// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/snapping.h"

#include <algorithm>
#include <cstdlib>
#include <optional>

namespace gorsefinch::app {

namespace {

struct Span {
    int low, high;  // high is the first pixel outside
    int middle() const { return (low + high) / 2; }
};

Span across(const QRect& r) { return {r.left(), r.left() + r.width()}; }
Span down(const QRect& r) { return {r.top(), r.top() + r.height()}; }

// The best move in one direction, and the line it leads to.
struct Match {
    int by, at;
};

std::optional<Match> nearest(const Span& box, const std::vector<Span>& others, int reach, bool low, bool high,
                             bool middle) {
    std::optional<Match> best;
    const auto offer = [&](int from, int to) {
        const int by = to - from;
        if (std::abs(by) <= reach && (!best || std::abs(by) < std::abs(best->by)))
            best = Match{by, to};
    };
    for (const Span& other : others) {
        for (const int to : {other.low, other.high}) {
            if (low)
                offer(box.low, to);
            if (high)
                offer(box.high, to);
        }
        if (middle)
            offer(box.middle(), other.middle());
    }
    return best;
}

}  // namespace

Snapped snap(const QRect& box, const std::vector<QRect>& others, int reach, SnapEdges edges) {
    std::vector<Span> columns, rows;
    for (const QRect& each : others) {
        columns.push_back(across(each));
        rows.push_back(down(each));
    }
    Snapped out;
    const auto x = nearest(across(box), columns, reach, edges.left, edges.right, edges.middles);
    const auto y = nearest(down(box), rows, reach, edges.top, edges.bottom, edges.middles);
    out.by = {x ? x->by : 0, y ? y->by : 0};
    const QRect moved = box.translated(out.by);
    for (const QRect& other : others) {
        const QRect both = moved.united(other);
        const Span c = across(other), r = down(other);
        if (x && (c.low == x->at || c.high == x->at || c.middle() == x->at))
            out.guides.push_back({true, x->at, both.top(), both.bottom() + 1});
        if (y && (r.low == y->at || r.high == y->at || r.middle() == y->at))
            out.guides.push_back({false, y->at, both.left(), both.right() + 1});
    }
    return out;
}

}  // namespace gorsefinch::app
