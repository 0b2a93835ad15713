// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/scene/screen_part.h"

namespace gorsefinch {

// Returns the contents of a widget's record and of what it points to. Records of one set of colours with equal keys are
// identical in generated code.
std::string recordKey(const ScreenPart& part, size_t widget);

// True if widgets with equal keys can share one record: those of backing screens and series, except kinds whose state
// is found by the address of the record.
bool sharesRecord(const Widget& widget);

}  // namespace gorsefinch
