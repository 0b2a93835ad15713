// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>
#include <vector>

#include "core/kinds/widget.h"

// The order of widgets that lie in the same container, each with what it holds.
namespace gorsefinch {

using Names = std::vector<std::string>;

enum class Depth { Raise, Lower, ToTop, ToBottom };
// Moves the named widgets among those of the same container.
void reorderBranches(std::vector<WidgetRef>& widgets, std::span<const std::string> names, Depth where);

}  // namespace gorsefinch
