// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// The names that a pattern gives to the named widgets of a screen, in the order in which they are read, row by row: "*"
// becomes the name that each has, "#" its number from `first` on, "##" with two digits at least. The second list has
// the names as they were, in that order.
struct PatternNames {
    Names now, before;
};
PatternNames namesByPattern(const Screen& screen, std::span<const std::string> names, std::string_view pattern,
                            int first);

// Renames the widgets so; rules and texts follow. Names that can't be, that are taken by others, or the same for
// several are refused.
Result<Document> renameByPattern(const Document& document, std::string_view screen, std::span<const std::string> names,
                                 std::string_view pattern, int first);

}  // namespace gorsefinch
