// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "core/sim/twin.h"

namespace gorsefinch {

// What a property of a widget holds in the twin that rules write or that follows an expression; `widget` is its place
// on the screen. A number that an indicator shows is a text, as the user reads it. Nothing if the property is neither
// written nor followed.
std::optional<PropertyValue> slotValue(Twin& twin, int screen, int widget, const PropertyInfo& property);

}  // namespace gorsefinch
