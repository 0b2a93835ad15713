// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// A part of a date or time as a text shows it: words as they are, or what an expression of the clock's fields gives.
struct ClockPart {
    std::string words;               // with an empty expression
    std::string expression;          // a whole number
    int digits = 1;                  // at least
    std::vector<std::string> names;  // shown instead: of 1, of 2, …
};

// The parts of a form such as "HH:mm" or "ddd d MMM yyyy"; nothing if it has other letters than
//   s ss  m mm  H HH (0 to 23)  h hh (1 to 12)  a (am, pm)  d dd  ddd (the day's name)  M MM  MMM (the month's name)
//   yy yyyy.
std::optional<std::vector<ClockPart>> clockParts(std::string_view form, const Clock& clock);

}  // namespace gorsefinch
