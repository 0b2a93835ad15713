// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace gorsefinch {

// The order that a person expects of names with numbers: bee2 before bee10. Letters' case counts only among equals.
bool naturallyBefore(std::string_view a, std::string_view b);

// Files that belong together.
struct Series {
    std::string stem;                // what their names have in common, without the number: "bee"
    std::vector<std::string> files;  // in natural order, as given
};

// Puts file names (or paths) that differ only in one number together, such as bee01.png to bee12.png; the others stand
// alone. Within a series and among them the order is natural.
std::vector<Series> groupSeries(std::vector<std::string> files);

}  // namespace gorsefinch
