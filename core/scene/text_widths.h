// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "runtime/gorse_scene.h"

namespace gorsefinch {

// Pixels of a text's widest line; lines end where they are written to.
int widestLine(const gorse_font& font, const std::string& text);
int lineWidth(const gorse_font& font, const std::string& line);
// The same with each digit as wide as the widest one: of a value whose digits change.
int widestWithAnyDigits(const gorse_font& font, const std::string& text);

}  // namespace gorsefinch
