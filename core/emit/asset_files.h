// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/font/baked_font.h"
#include "core/image/pack.h"

namespace gorsefinch {

// One reduced picture as the bytes of a file with this ending: ".c", ".h" (a C array with its size in constants),
// ".bin" (the packed bytes) or ".png" (what it looks like). Another ending is refused.
Result<std::string> imageFile(const Picture& reduced, PixelFormat format, const std::string& name,
                              const std::string& ending);

// One font: ".c" with the runtime's tables, ".png" a sheet of its glyphs. Another ending is refused.
Result<std::string> fontFile(const BakedFont& font, const std::string& ending);

}  // namespace gorsefinch
