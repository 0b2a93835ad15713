// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <string_view>

#include "core/document/document.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

// The name that rules and expressions know the clock by, before a point and a field.
inline constexpr const char* kClockName = "clock";

// The fields of the clock as variables, in the order of GORSE_CLOCK_...; their names are whole: "clock.hour".
const std::array<Variable, GORSE_CLOCK_NUMBERS>& clockVariables();
// Null for a name that is none of a field, such as "hour".
const Variable* clockField(std::string_view field);

}  // namespace gorsefinch
