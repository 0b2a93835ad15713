// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/rules/rename.h"

namespace gorsefinch {

// Where a variable is used: the properties that show it, texts with it, lines of rules, expressions. In the order of
// screens and widgets, rules last.
std::vector<Mention> usesOfVariable(const Document& document, const std::string& name);

}  // namespace gorsefinch
