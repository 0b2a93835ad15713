// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/rules/expression.h"

namespace gorsefinch {

// The type of the values that a property takes in rules and expressions.
ValueType valueTypeOf(const PropertyInfo& property);

// Makes a value one of the property, which takes rules or expressions: without decimals where it has none. A wrong type
// is an error at `at`, as is a constant out of its range; one that may leave it is a warning.
void fitToProperty(Compiled& value, const PropertyInfo& property, const Token& at,
                   const decltype(ExpressionScope::report)& report);

}  // namespace gorsefinch
