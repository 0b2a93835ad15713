// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "core/edits/variable_csv.h"

// Variables from C headers, as firmware has them already.
namespace gorsefinch {

// What a header declares that can be variables: the members of its structs, and its enums that no member has. A comment
// behind a member, or in the line before it, is its note. Members are yes/no (bool, and one bit), whole numbers in the
// range of their type, of their bits or of their enum, decimals (float, double), and texts (arrays of char). Macros
// NAME_MIN, _MAX, _START, _DECIMALS and _UNIT, whatever is before the name and in any case, set what they say. Members
// of other types are reported with their line and left out; everything else is skipped. Nothing is preprocessed.
// `file` is named in messages. An error for more than kMaxCsv bytes or more than 10,000 variables. Of a variable whose
// name is among the known ones, what C can't say stays as it is.
Result<ReadVariables> variablesFromHeader(std::string_view text, const std::string& file,
                                          std::span<const Variable> known = {});

}  // namespace gorsefinch
