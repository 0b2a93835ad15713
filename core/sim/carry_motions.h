// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// What goes on with time goes on with the next scene, where what it is about is still there under the same name. The
// time and the slots have been carried already.
void carryGlides(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to);
// A transition has come to its end. Which ones led to the screens of the history is known as long as the rules are the
// same.
void carryTransitions(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to);

}  // namespace gorsefinch
