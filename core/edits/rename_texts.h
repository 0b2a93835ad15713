// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/rules/rename.h"

namespace gorsefinch {

// Rewrites the insets of every text of every widget for a rename; screens without a change stay shared.
void rewriteTexts(Document& document, const RuleRename& rename);

// Renames a thing where inputs of assemblies name it: in what uses set, and in start values. `type` is the type of the
// inputs that name such things; the inputs of others stay as they are.
void renameInInputs(Document& document, InputType type, std::string_view from, std::string_view to);

}  // namespace gorsefinch
