// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/sim/twin.h"

namespace gorsefinch {

// What happened as one line of words and names: "1250 ms  kiln_temp = 1044". Numbers that the scene doesn't know are
// given as they are.
std::string traceLine(const BuiltScene& scene, const TraceEntry& entry);

}  // namespace gorsefinch
