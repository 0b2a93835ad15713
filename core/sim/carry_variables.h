// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// Gives the variables, the clock and the panel's outputs of a run that has begun the values that those of the same name
// have in another one.
void carryVariables(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to);
// A sound plays on if the rules have the same ones.
void carrySound(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to);

}  // namespace gorsefinch
