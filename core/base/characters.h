// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace gorsefinch {

// Of ASCII, whatever the user's language.
constexpr bool isDigit(char c) { return c >= '0' && c <= '9'; }

}  // namespace gorsefinch
