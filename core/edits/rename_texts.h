// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/rules/rename.h"

namespace gorsefinch {

// Rewrites the insets of every text of every widget for a rename; screens without a change stay shared.
void rewriteTexts(Document& document, const RuleRename& rename);

}  // namespace gorsefinch
