// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/rules/rule_pool.h"

namespace gorsefinch {

// Compiles the expressions of all widgets, and those that place them. What depends on another comes behind it. One with
// a mistake is left out, and so are those of a circle, which is reported once for each of them. To be called before the
// rules are compiled, which have to mark what expressions read.
void compileExpressions(RulePool& pool);

}  // namespace gorsefinch
