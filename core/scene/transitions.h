// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// How screens follow one another: the project's transition, which is that of changes without one of their own, then
// those of rules. None if all are cuts. Needs the scene's rules.
void fillTransitions(BuiltScene& out);

}  // namespace gorsefinch
