// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string_view>

namespace gorsefinch {

// What the names in a sum are.
struct SumValues {
    double x = 0, y = 0, w = 0, h = 0;       // the box's own sides
    double panelWidth = 0, panelHeight = 0;  // panel.w, panel.h
    double own = 0;                          // the value that a sum which begins with +, * or / goes on from
};

// The value of a sum such as "320-24", "w/2", "(panel.w-10)/3" or "+4", rounded; nothing for other texts, and beyond
// a million.
std::optional<int> valueOfSum(std::string_view text, const SumValues& values = {});

}  // namespace gorsefinch
