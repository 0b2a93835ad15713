// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/rules/project_names.h"
#include "core/scene/built_scene.h"

// The runtime's record of a scene, of what a built scene has.
namespace gorsefinch {

// Fills the numbers and texts, those of the clock included. Reports texts that need too much memory.
void fillVariables(BuiltScene& out, const ProjectNames& names);
// Fills the screens of its parts and tables.
void fillScreens(BuiltScene& out);
// Fills the rest of the scene and lays out its state. All else must be filled.
void fillScene(BuiltScene& out, const ProjectNames& names);
// After fillScene(): the scenes of the sets of colours behind the first.
void fillSets(BuiltScene& out);

}  // namespace gorsefinch
