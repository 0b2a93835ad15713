// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/font/face_file.h"

namespace gorsefinch {

// The glyph with one pixel set or cleared: `x` pixels from the pen, `y` rows from the baseline up (0 stands on it).
// The box is as tight as what is set; pixels farther out than a hand-set glyph may reach are not taken.
HandGlyph withPixel(const GlyphBitmap& glyph, int x, int y, bool on);

}  // namespace gorsefinch
