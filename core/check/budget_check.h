// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/emit/costs.h"

namespace gorsefinch {

// Flash and RAM that a project needs beyond its panel's budget. Warnings.
Problems budgetProblems(const Panel& panel, const Costs& costs);

}  // namespace gorsefinch
