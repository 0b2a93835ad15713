// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/screen_part.h"

namespace gorsefinch {

// The widgets of a screen that the knob and the keys reach, by their number on the screen, in order: those with a
// number for their focus by it, then the others by place, row after row from the top, from the left to the right in
// each. Those whose focus is "never" are left out; a focus that is neither is reported.
std::vector<uint16_t> focusOrder(ScreenPart& part);

}  // namespace gorsefinch
