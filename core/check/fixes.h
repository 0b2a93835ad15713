// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// What mends a problem in one step.
struct Fix {
    std::string label;  // "Place it the same"
    Document document;  // the project with it
};

// A fix for a problem of a scene's document. Nothing for problems that have no fix, for those that are gone, and for
// locked widgets.
std::optional<Fix> fixOf(const BuiltScene& scene, const Problem& problem);

}  // namespace gorsefinch
