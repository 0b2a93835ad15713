// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// Sets where the parts of the state begin, see gorse_scene. All that has a part must be filled; `keptBytes` are those
// of the keepers.
void layOutState(BuiltScene& out, uint32_t keptBytes);

}  // namespace gorsefinch
