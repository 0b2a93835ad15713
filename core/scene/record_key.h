// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/scene/screen_part.h"

namespace gorsefinch {

// What the record of a widget says, with what it points to. Records of one set of colours that have the same key are
// the same in C.
std::string recordKey(const ScreenPart& part, size_t widget);

// True if its record may be written once for all widgets with that key: those of backing screens and series, unless
// something is kept by the address of the record.
bool sharesRecord(const Widget& widget);

}  // namespace gorsefinch
