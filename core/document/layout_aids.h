// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "core/kinds/value.h"

namespace gorsefinch {

inline constexpr int kMaxGridStep = 256;      // pixels
inline constexpr int kMaxLayoutMargin = 256;  // pixels
inline constexpr size_t kMaxGuideLines = 64;  // of a screen, or for all, each way

// A grid on the panel that boxes are placed by.
struct Grid {
    int step = 8;      // pixels, at least 2
    int x = 0, y = 0;  // where it begins: pixels, below the step
    int strength = 3;  // pixels from which it draws a box
    bool shown = false, used = false;
    UnknownKeys unknown;
    friend bool operator==(const Grid&, const Grid&) = default;
};

// Guide lines by their places: at this x, and at this y.
struct GuideLines {
    std::vector<int> upright, level;
    UnknownKeys unknown;
    bool empty() const { return upright.empty() && level.empty() && unknown.empty(); }
    friend bool operator==(const GuideLines&, const GuideLines&) = default;
};

// What helps to lay out all screens. The interface does not depend on it.
struct LayoutAids {
    Grid grid;
    int margin = 0;    // pixels inside the panel's edges; 0: none
    GuideLines lines;  // on every screen
    UnknownKeys unknown;
    friend bool operator==(const LayoutAids&, const LayoutAids&) = default;
};

}  // namespace gorsefinch
