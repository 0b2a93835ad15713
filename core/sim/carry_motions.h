// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// What goes on with time goes on with the next scene, where what it is about is still there under the same name. The
// time and the slots have been carried already.
void carryGlides(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to);
// A transition has come to its end. Which ones led to the screens of the history is known as long as the rules are the
// same.
// Shows the screen that the head has, over those that lay below it; these are numbers of the new scene.
void showOver(const std::vector<uint16_t>& below, gorse& to);
void carryTransitions(const BuiltScene& before, const gorse& from, const BuiltScene& now, gorse& to);

}  // namespace gorsefinch
