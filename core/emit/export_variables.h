// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>

#include "core/document/document.h"

namespace gorsefinch {

// A C header with a struct NAME_values: a member for each variable in the smallest type that holds its range, its note
// as a comment, and macros NAME_MIN, _MAX, _START, _DECIMALS and _UNIT. variablesFromHeader() reads it back.
std::string variablesToHeader(const std::string& name, std::span<const Variable> variables);

}  // namespace gorsefinch
