// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include "core/rules/rule_compiler.h"

namespace gorsefinch {

// Compiled rules after screen number `screen` changed from `before` to `after`, all else being the same: the very ones
// if the widgets that they name have the positions that they had, a copy with other positions if those widgets are the
// same ones in the same order. Null if the rules must be compiled.
std::shared_ptr<const CompiledRules> movedRules(const std::shared_ptr<const CompiledRules>& rules, int screen,
                                                const Screen& before, const Screen& after, const NamedValues& named);

}  // namespace gorsefinch
