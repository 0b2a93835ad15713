// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// Copies what a running interface was doing to one that has just begun with a newer scene: by names, so that what
// is still there goes on. `to` must be fresh from gorse_begin. Marks everything for drawing. Gives, beside each rule
// of the new scene, the number of the same rule in the old one, or -1.
std::vector<int> carryOver(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to);

// What trends have recorded, of those that are in both with the same ranges: the newest samples, as many as both have
// room for. Both must have begun.
void carryRecordings(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to);

}  // namespace gorsefinch
