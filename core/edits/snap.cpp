// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/snap.h"

#include <cstdlib>

namespace gorsefinch {

namespace {

// The edges of a box on the axis that is looked at, and on the other one.
struct Span {
    int low, high;                                    // high is the first pixel outside
    int middle() const { return (low + high) >> 1; }  // rounded down, also left of the panel
    bool meets(const Span& other) const { return low < other.high && other.low < high; }
};

struct Side {
    bool upright;  // lines across this axis are upright
    Span of(const Box& box) const { return upright ? Span{box.x0, box.x1} : Span{box.y0, box.y1}; }
    Span other(const Box& box) const { return upright ? Span{box.y0, box.y1} : Span{box.x0, box.x1}; }
};

// Of the box that is moved.
struct Movable {
    bool low, high, whole;
};

struct Match {
    int by = 0, at = 0;
    SnapTo what = SnapTo::Edge;
};

// Keeps the nearest of what is offered; the first of those that are as near.
class Nearest {
  public:
    explicit Nearest(int reach) : reach_(reach) {}

    void offer(int from, int to, SnapTo what) {
        const int by = to - from;
        if (std::abs(by) <= reach_ && (!best_ || std::abs(by) < std::abs(best_->by)))
            best_ = Match{by, to, what};
    }
    // Those edges of a box that may move.
    void offerEdges(const Span& box, const Movable& movable, int to, SnapTo what) {
        if (movable.low)
            offer(box.low, to, what);
        if (movable.high)
            offer(box.high, to, what);
    }
    const std::optional<Match>& best() const { return best_; }

  private:
    int reach_;
    std::optional<Match> best_;
};

// Neighbours that the box would meet if it went along the axis, before and behind it, the nearest last.
struct Beside {
    std::vector<Span> before, behind;
};

Beside besides(const Box& box, const SnapScene& scene, const Side& side) {
    Beside out;
    const Span own = side.of(box);
    for (const SnapNeighbour& each : scene.neighbours) {
        const Span span = side.of(each.box);
        if (!side.other(each.box).meets(side.other(box)))
            continue;
        if (span.high <= own.middle())
            out.before.push_back(span);
        else if (span.low >= own.middle())
            out.behind.push_back(span);
    }
    std::sort(out.before.begin(), out.before.end(), [](const Span& a, const Span& b) { return a.high < b.high; });
    std::sort(out.behind.begin(), out.behind.end(), [](const Span& a, const Span& b) { return a.low > b.low; });
    return out;
}

// The gap between the nearest two on one side of the box; nothing if there are none with room between.
std::optional<int> gapOf(const std::vector<Span>& spans) {
    if (spans.size() < 2)
        return std::nullopt;
    const Span &nearest = spans.back(), &next = spans[spans.size() - 2];
    const int gap = std::max(nearest.low, next.low) - std::min(nearest.high, next.high);
    return gap > 0 ? std::optional(gap) : std::nullopt;
}

// Where the box has the same distance to both neighbours, or goes on as two of them on one side begin.
void offerGaps(Nearest& nearest, const Box& box, const SnapScene& scene, const Side& side, const Movable& movable) {
    const Span own = side.of(box);
    const Beside beside = besides(box, scene, side);
    if (movable.whole && !beside.before.empty() && !beside.behind.empty()) {
        const int room = beside.behind.back().low - beside.before.back().high - (own.high - own.low);
        if (room >= 0)
            nearest.offer(own.low, beside.before.back().high + room / 2, SnapTo::Gap);
    }
    if (const auto gap = gapOf(beside.before); gap && movable.low)
        nearest.offer(own.low, beside.before.back().high + *gap, SnapTo::Gap);
    if (const auto gap = gapOf(beside.behind); gap && movable.high)
        nearest.offer(own.high, beside.behind.back().low - *gap, SnapTo::Gap);
}

void offerFrames(Nearest& nearest, const Span& own, const SnapScene& scene, const Side& side, const Movable& movable) {
    for (const Box& each : scene.frames) {
        const Span frame = side.of(each);
        nearest.offerEdges(own, movable, frame.low, SnapTo::Edge);
        nearest.offerEdges(own, movable, frame.high, SnapTo::Edge);
        if (movable.whole)
            nearest.offer(own.middle(), frame.middle(), SnapTo::Middle);
        if (scene.margin == 0)
            continue;
        nearest.offerEdges(own, movable, frame.low + scene.margin, SnapTo::Margin);
        nearest.offerEdges(own, movable, frame.high - scene.margin, SnapTo::Margin);
    }
}

// The line of a grid that is nearest to a place.
int gridLine(int place, int begin, int step) {
    const int shifted = place - begin + step / 2;
    const int steps = shifted >= 0 ? shifted / step : -((-shifted + step - 1) / step);
    return begin + steps * step;
}

std::optional<Match> nearestOn(const Box& box, const std::optional<int>& baseline, const SnapScene& scene,
                               const Side& side, int reach, const Movable& movable) {
    const Span own = side.of(box);
    Nearest nearest(reach);
    for (const int line : side.upright ? scene.upright : scene.level) {
        nearest.offerEdges(own, movable, line, SnapTo::Line);
        if (movable.whole)
            nearest.offer(own.middle(), line, SnapTo::Line);
    }
    if (!side.upright && baseline && movable.whole)
        for (const SnapNeighbour& each : scene.neighbours)
            if (each.baseline)
                nearest.offer(*baseline, *each.baseline, SnapTo::Baseline);
    for (const SnapNeighbour& each : scene.neighbours) {
        const Span span = side.of(each.box);
        nearest.offerEdges(own, movable, span.low, SnapTo::Edge);
        nearest.offerEdges(own, movable, span.high, SnapTo::Edge);
        if (movable.whole)
            nearest.offer(own.middle(), span.middle(), SnapTo::Middle);
    }
    offerFrames(nearest, own, scene, side, movable);
    offerGaps(nearest, box, scene, side, movable);
    if (nearest.best() || !scene.toGrid)
        return nearest.best();
    Nearest onGrid(scene.grid.strength);
    const int begin = side.upright ? scene.grid.x : scene.grid.y;
    for (const int edge : {own.low, own.high})
        if (edge == own.low ? movable.low : movable.high && !movable.whole)
            onGrid.offer(edge, gridLine(edge, begin, scene.grid.step), SnapTo::Grid);
    return onGrid.best();
}

// Draws what the box lies on after it was moved.
class Marks {
  public:
    Marks(Snapped& out, const Box& box, const SnapScene& scene, const Side& side)
        : out_(out), box_(box), scene_(scene), side_(side) {}

    void add(const Match& match) {
        if (match.what == SnapTo::Gap)
            addGaps();
        else if (match.what == SnapTo::Line)
            addLine(match.at, scene_.frames.empty() ? box_ : united(box_, scene_.frames.front()), match.what);
        else if (match.what != SnapTo::Grid)
            addAlong(match);
    }

  private:
    void addLine(int at, const Box& reach, SnapTo what) {
        const Span along = side_.other(reach);
        out_.guides.push_back({side_.upright, at, along.low, along.high, what});
    }

    // One line, as long as all that lies on it, with the distance to the nearest of them.
    void addAlong(const Match& match) {
        Box all = box_;
        std::optional<Span> nearest;
        const Span own = side_.other(box_);
        const auto distance = [&](const Span& span) {
            return span.high <= own.low ? own.low - span.high : span.low >= own.high ? span.low - own.high : -1;
        };
        for (const SnapNeighbour& each : scene_.neighbours) {
            if (!isOn(each, match))
                continue;
            all = united(all, each.box);
            const Span span = side_.other(each.box);
            if (distance(span) > 0 && (!nearest || distance(span) < distance(*nearest)))
                nearest = span;
        }
        for (const Box& each : scene_.frames)
            if (isOnFrame(side_.of(each), match))
                all = united(all, each);
        addLine(match.at, all, match.what);
        if (nearest)
            addGap(!side_.upright, *nearest, own, match.at, false);
    }

    bool isOn(const SnapNeighbour& each, const Match& match) const {
        const Span span = side_.of(each.box);
        switch (match.what) {
            case SnapTo::Baseline: return each.baseline == match.at;
            case SnapTo::Middle: return span.middle() == match.at;
            default: return span.low == match.at || span.high == match.at;
        }
    }
    bool isOnFrame(const Span& frame, const Match& match) const {
        switch (match.what) {
            case SnapTo::Edge: return frame.low == match.at || frame.high == match.at;
            case SnapTo::Middle: return frame.middle() == match.at;
            case SnapTo::Margin: return frame.low + scene_.margin == match.at || frame.high - scene_.margin == match.at;
            default: return false;
        }
    }

    void addGap(bool across, const Span& a, const Span& b, int at, bool equal) {
        const int from = a.high <= b.low ? a.high : b.high, to = a.high <= b.low ? b.low : a.low;
        if (to > from)
            out_.gaps.push_back({across, from, to, at, equal});
    }

    // The gaps to both neighbours, and those that they are as wide as.
    void addGaps() {
        const Beside beside = besides(box_, scene_, side_);
        const Span own = side_.of(box_);
        const int at = side_.other(box_).middle();
        if (!beside.before.empty())
            addGap(side_.upright, beside.before.back(), own, at, true);
        if (!beside.behind.empty())
            addGap(side_.upright, own, beside.behind.back(), at, true);
        for (const std::vector<Span>* spans : {&beside.before, &beside.behind})
            if (const auto gap = gapOf(*spans); gap && *gap == gapTo(spans->back(), own))
                addGap(side_.upright, spans->back(), (*spans)[spans->size() - 2], at, true);
    }
    static int gapTo(const Span& a, const Span& b) { return std::max(a.low, b.low) - std::min(a.high, b.high); }

    Snapped& out_;
    const Box& box_;
    const SnapScene& scene_;
    const Side side_;
};

}  // namespace

Snapped snap(const Box& box, std::optional<int> baseline, const SnapScene& scene, int reach, SnapEdges edges) {
    Snapped out;
    const auto x = nearestOn(box, baseline, scene, {true}, reach, {edges.left, edges.right, edges.whole});
    const auto y = nearestOn(box, baseline, scene, {false}, reach, {edges.top, edges.bottom, edges.whole});
    out.x = x ? x->by : 0;
    out.y = y ? y->by : 0;
    const Box moved = edges.whole ? box.moved(out.x, out.y)
                                  : Box{box.x0 + (edges.left ? out.x : 0), box.y0 + (edges.top ? out.y : 0),
                                        box.x1 + (edges.right ? out.x : 0), box.y1 + (edges.bottom ? out.y : 0)};
    if (x)
        Marks(out, moved, scene, {true}).add(*x);
    if (y)
        Marks(out, moved, scene, {false}).add(*y);
    return out;
}

}  // namespace gorsefinch
