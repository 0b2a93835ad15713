// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <memory>
#include <string>
#include <vector>

#include "core/sim/draw_screen.h"

// A screen with values at the ends of what they can be, to see what clips before the panel shows it.
namespace gorsefinch {

enum class Extreme { Lowest, Highest, Shortest, Longest, Stale };
inline constexpr std::array kExtremes{Extreme::Lowest, Extreme::Highest, Extreme::Shortest, Extreme::Longest,
                                      Extreme::Stale};

// A twin of the scene that has not started, whose variables have such values: numbers the ends of their range, or what
// is written with the fewest or most characters of it; choices their first or last name, or the shortest or longest;
// texts nothing, or as much as they hold. The set of colours and, with Stale, all values are those of the start.
std::unique_ptr<Twin> extremeTwin(const BuiltSceneRef& scene, Extreme extreme);

// A text that a widget has no room for.
struct CutText {
    size_t widget = 0;  // its number on the screen as it is drawn
    std::string text;
    int needs = 0, room = 0;  // pixels
    bool down = false;        // of its height: its lines are broken
};
// The texts that are cut with a twin's values, of what does not roll or end in dots. Readouts are measured by the
// longest of what they can show.
std::vector<CutText> cutTexts(const BuiltScene& scene, int screen, const Twin& values);

}  // namespace gorsefinch
