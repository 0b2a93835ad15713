// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// True if the kind can be one of several that exclude each other.
bool canBeChoice(Kind kind);

// Joins buttons and checkboxes so that they exclude each other: each sets one variable to a value of its own. That is
// the variable that the first of them which is joined already has, or a new choice whose values are named by what they
// say. A choice gets a value for each that joins; of a number the smallest that none stands for is taken. Fails with
// fewer than two of them, and where the variable has no more values.
Result<Document> joinChoices(const Document& document, std::string_view screen, std::span<const std::string> names);

}  // namespace gorsefinch
