// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "core/document/box.h"
#include "core/scene/built_scene.h"

namespace gorsefinch {

// Where a finger can operate a screen, as it is when the interface starts.
struct TouchTarget {
    size_t widget = 0;         // its number on the screen as it is drawn
    Box box;                   // pixels of the panel, with its margin
    std::optional<double> mm;  // its smaller side; nothing where nobody knows how large pixels are
    bool isSmall = false;      // for a finger's tip, where that is known
    bool isCovered = false;    // wholly by another target, which takes its touches
    std::vector<Box> shared;   // parts that lie under other targets, which take the touches there
};

// In the order of the screen. What is hidden, or in a hidden container, or disabled takes no touch.
std::vector<TouchTarget> touchTargets(const BuiltScene& scene, size_t screen);

}  // namespace gorsefinch
