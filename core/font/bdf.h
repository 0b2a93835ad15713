// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/font/baked_font.h"

namespace gorsefinch {

// A font as a BDF file (Glyph Bitmap Distribution Format 2.1): every character it holds with its Unicode encoding, box,
// advance and bitmap, and the font's metrics as properties. More than one bit a pixel is said by the fourth number
// of SIZE, which FreeType and others read.
std::string writeBdf(const BakedFont& font);

}  // namespace gorsefinch
