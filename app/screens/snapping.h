// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QRect>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch::app {

// A line that a dragged box lies on, in panel pixels: at x from `from` to `to` in y (upright), or the other way.
struct Guide {
    bool upright;
    int at;
    int from, to;
};

struct Snapped {
    QPoint by;  // to move further, so that the box lies on the guides
    std::vector<Guide> guides;
};

// Finds the nearest edges and middles of `others` (the panel's own box among them) within `reach` pixels of those of
// the box. Sides that must not move are left out: `edges` says which of left, right, top, bottom may snap.
struct SnapEdges {
    bool left = true, right = true, top = true, bottom = true, middles = true;
};
Snapped snap(const QRect& box, const std::vector<QRect>& others, int reach, SnapEdges edges = {});

// A widget's box in panel pixels.
inline QRect boxOf(const Widget& widget) { return {widget.x, widget.y, widget.w, widget.h}; }

}  // namespace gorsefinch::app
