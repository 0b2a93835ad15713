// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/scene_tables.h"

namespace gorsefinch {

// Pixels that a text takes in a font, with the unit behind it and what else of the box is taken. Each digit counts as
// wide as the font's widest one.
int widthOf(const LongestText& text, const gorse_record& record, const gorse_font& font);

// Warns of widgets that have no room for the longest of the texts that they can show: values, and what rules and
// expressions set. Digits count as wide as the font's widest one. What breaks its lines is left out.
Problems clippedTexts(const ScreenPart& part, const ScreenTables& tables);

}  // namespace gorsefinch
