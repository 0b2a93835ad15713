// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// How rules lead from a screen to another one.
struct WaysOut {
    std::vector<std::string> widgets;  // of the screen, that the user can operate
    bool byUser = false;               // a swipe on it, a key, the knob
    bool byItself = false;             // a time, a condition, entering it
};
WaysOut waysOut(const BuiltScene& scene, size_t screen);

// True if some of its widgets are all by which the user can leave a screen.
bool areOnlyWayOut(const BuiltScene& scene, size_t screen, std::span<const std::string> widgets);

// Reports the screens that rules lead to and none leads away from.
void reportDeadEnds(BuiltScene& scene);

}  // namespace gorsefinch
