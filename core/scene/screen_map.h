// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

// Which screen leads to which, and where they lie on a map of them.
namespace gorsefinch {

// A rule that leads from a screen to another one.
struct ScreenStep {
    int from = 0;     // the screen; -1 if the rule holds on any
    int widget = -1;  // its number, if the rule is about one
    int to = 0;       // the screen; kLeadsBack
    std::string file;
    int line = 0;
    friend bool operator==(const ScreenStep&, const ScreenStep&) = default;
};

// In the order of the rules; one from a screen to itself is left out.
std::vector<ScreenStep> screenSteps(const BuiltScene& scene);

struct ScreenPlace {
    int row = 0, column = 0;
    bool reached = false;  // from the first screen, which is
    bool left = false;     // a step leads away from it
};

// Places the screens in rows: in each those that take as many steps from the first one, in as many rows as they need
// with so many columns, at least 1; below them those that nothing reaches. In a row those that are led to by what is
// more to the left come first.
std::vector<ScreenPlace> screenPlaces(size_t screens, const std::vector<ScreenStep>& steps, int columns);

}  // namespace gorsefinch
