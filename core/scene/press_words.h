// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// What a press on a widget of a screen, and what follows it, does in words: "turns holding over; change: call
// hold(holding)". "nothing" if it does nothing.
std::string pressWords(const BuiltScene& scene, size_t screen, size_t widget);

}  // namespace gorsefinch
