// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// What of a project nothing uses: looks, named colours and sizes, images, faces, variables. Notes.
Problems unusedThings(const Document& document);
// Looks of which most of the widgets that have them set one and the same property themselves, and states of looks that
// none of their widgets can be in. Notes.
Problems oddLooks(const Document& document);
// Screens behind the first that no rule leads to. Warnings.
Problems unreachedScreens(const BuiltScene& scene);

}  // namespace gorsefinch
