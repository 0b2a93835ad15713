// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "core/document/box.h"
#include "core/document/layout_aids.h"

// Where a box that is dragged or resized comes to lie in line with others. All in panel pixels.
namespace gorsefinch {

// What a box can be in line with.
struct SnapNeighbour {
    Box box;
    std::optional<int> baseline;  // of its text: a row on the panel
};

struct SnapScene {
    std::vector<SnapNeighbour> neighbours;
    std::vector<Box> frames;  // the panel and the containers around the box: their edges and middles, and their margins
    int margin = 0;           // pixels inside the frames; 0: none
    std::vector<int> upright, level;  // own guide lines: at this x, at this y
    Grid grid;
    bool toGrid = false;
};

// The sides that may move. A box that is moved as a whole has all of them, and its middles.
struct SnapEdges {
    bool left = true, right = true, top = true, bottom = true, whole = true;
};

enum class SnapTo { Edge, Middle, Baseline, Margin, Line, Gap, Grid };

// A line to draw: at x from `from` to `to` in y (upright), or the other way.
struct Guide {
    bool upright;
    int at, from, to;
    SnapTo what;
    friend bool operator==(const Guide&, const Guide&) = default;
};

// A distance to show: from x to x at row `at` (across), or the other way.
struct GapMark {
    bool across;
    int from, to, at;
    bool equal;  // one of several that are the same
    int length() const { return to - from; }
    friend bool operator==(const GapMark&, const GapMark&) = default;
};

struct Snapped {
    int x = 0, y = 0;  // pixels to move further, so that the box lies on the guides
    std::vector<Guide> guides;
    std::vector<GapMark> gaps;
};

// Finds what is nearest within `reach` pixels of the box, on each axis by itself: own lines, baselines, edges, middles,
// margins, equal gaps between three, in this order where several are as near; the grid where there is nothing else.
// Distances to what the box is in line with are among the gaps. `baseline`: the row of the box's own text.
Snapped snap(const Box& box, std::optional<int> baseline, const SnapScene& scene, int reach, SnapEdges edges = {});

}  // namespace gorsefinch
