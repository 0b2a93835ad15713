// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "core/scene/built_scene.h"

namespace gorsefinch {

// Pixels from the top of a widget's box to the row below the capitals and digits of its first line of text: texts,
// buttons without an image and readouts. Nothing for what shows no text, or has no such character in its font.
std::optional<int> baselineOf(const BuiltScene& scene, size_t screen, size_t widget);

}  // namespace gorsefinch
