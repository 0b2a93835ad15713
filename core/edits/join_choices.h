// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// True if the kind can be one of several that exclude each other.
bool canBeChoice(Kind kind);

// Joins buttons and checkboxes so that they exclude each other: each sets the same variable to a value of its own. It
// is the variable of the first one that is joined already, else a new choice whose values are named by their texts. A
// choice gets a name for each widget that joins; of a number the smallest value that no other widget has is taken.
// Fails with fewer than two of them, and where the variable has no more values.
Result<Document> joinChoices(const Document& document, std::string_view screen, std::span<const std::string> names);
// The same, and a tap on the button that is chosen leaves none of them so. The variable's first value is none of
// theirs: a choice gets one named "none" for it where that is missing. Fails for a number whose 0 one of them has, or
// that has no 0.
Result<Document> joinChoicesOrNone(const Document& document, std::string_view screen,
                                   std::span<const std::string> names);

}  // namespace gorsefinch
