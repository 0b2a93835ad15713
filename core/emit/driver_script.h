// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/base/result.h"
#include "core/sim/script.h"

namespace gorsefinch {

// A script's steps as C, for a driver that runs generated code through them: a table of touches and times, and a
// function that sets variables. Names of variables must be right, as after runScript(). A step that sets a variable for
// which firmware has no setter is refused.
Result<std::string> driverScript(const BuiltScene& scene, const std::vector<ScriptStep>& steps);

}  // namespace gorsefinch
