// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <vector>

#include "core/kinds/widget.h"

namespace gorsefinch {

// A rectangle in panel pixels; x1 and y1 are the first ones outside it.
struct Box {
    int x0 = 0, y0 = 0, x1 = 0, y1 = 0;

    int w() const { return x1 - x0; }
    int h() const { return y1 - y0; }
    bool meets(const Box& other) const { return x0 < other.x1 && other.x0 < x1 && y0 < other.y1 && other.y0 < y1; }
    bool holds(const Box& inner) const { return x0 <= inner.x0 && y0 <= inner.y0 && x1 >= inner.x1 && y1 >= inner.y1; }
    Box moved(int x, int y) const { return {x0 + x, y0 + y, x1 + x, y1 + y}; }
    friend bool operator==(const Box&, const Box&) = default;
};

// With a width or height of 0 or less if they do not meet.
inline Box overlap(const Box& a, const Box& b) {
    return {std::max(a.x0, b.x0), std::max(a.y0, b.y0), std::min(a.x1, b.x1), std::min(a.y1, b.y1)};
}

inline Box united(const Box& a, const Box& b) {
    return {std::min(a.x0, b.x0), std::min(a.y0, b.y0), std::max(a.x1, b.x1), std::max(a.y1, b.y1)};
}

// The box of a widget on the panel, see placeOnPanel().
Box boxOnPanel(const std::vector<WidgetRef>& widgets, size_t at);

}  // namespace gorsefinch
