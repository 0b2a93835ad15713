// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>

#include "core/rules/lexer.h"

namespace gorsefinch {

struct Unit {
    std::string_view word;
    int factor;  // to the smallest one
};
// In ms.
inline constexpr Unit unitsOfTime[] = {{"ms", 1}, {"s", 1000}};

// A number and its unit as a whole number of the smallest unit; nothing if it is none, or if the second word is no
// unit.
std::optional<int64_t> measure(const Token& number, const Token& unit, std::span<const Unit> units);

}  // namespace gorsefinch
