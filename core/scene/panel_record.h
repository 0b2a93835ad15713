// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// The runtime's record of the panel, as it is and upright, from the document's settings. Settings that its memory can't
// have become problems.
void fillPanel(BuiltScene& out);

// Lets the panel's painting leave room in the draw buffer for what shows through widgets, and asks for that room.
void addCopyBuffer(BuiltScene& out);

}  // namespace gorsefinch
