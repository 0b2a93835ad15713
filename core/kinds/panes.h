// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include "core/kinds/control.h"

// Containers that move what they hold, or themselves, by whole lengths: pagers and drawers.
namespace gorsefinch {

// Which way the pages of a pager lie.
bool goesDown(const Widget& pager);

// GORSE_SCROLL_... of a pager or a drawer; 0 for what is neither.
uint8_t paneBits(const Widget& widget);

}  // namespace gorsefinch
