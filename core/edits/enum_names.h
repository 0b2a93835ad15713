// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>
#include <vector>

namespace gorsefinch {

// The constants of an enum of C as names of a choice: "MODE_IDLE" and "MODE_WARM_UP" are "idle" and "warm up", without
// what all have before an underscore.
std::vector<std::string> choicesOf(std::span<const std::string> constants);
// True if two lists of names are of the same constants: they differ in capitals and punctuation only.
bool areSameConstants(std::span<const std::string> a, std::span<const std::string> b);

}  // namespace gorsefinch
