// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/font/baked_font.h"
#include "core/base/result.h"

namespace gorsefinch {

// One font: ".c" with the runtime's tables, ".bdf", ".png" a sheet of its glyphs. Another ending is refused.
Result<std::string> exportFont(const BakedFont& font, const std::string& ending);

}  // namespace gorsefinch
