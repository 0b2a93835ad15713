// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>

#include "core/base/result.h"
#include "core/document/document.h"

namespace gorsefinch {

inline constexpr int kMaxTextLength = 200;  // bytes of a text variable

// A variable from one line: its name, then what is wanted of a type (whole, decimal, yes/no, text), a range "0 to 120"
// (of a text its bytes), and a unit. The digits behind the points are the decimals: "oil_temp 0.0 to 120.0 °C". Without
// a type it is the one that the rest suggests, at last a whole number. An error says what can't be read.
Result<Variable> variableFromLine(std::string_view line);

// What a variable is, in the same words: "decimal, 0.0 to 120.0 °C".
std::string variableInWords(const Variable& variable);

}  // namespace gorsefinch
