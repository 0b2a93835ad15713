// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

namespace gorsefinch {

// True if a picture's bytes end before its pixels do. The toolkit's decoders of JPEG, BMP and GIF fill what is missing
// and say nothing, so the structure is looked at first. `format` is "jpeg", "bmp" or "gif"; others are never cut.
bool isCutOff(std::string_view bytes, std::string_view format);

}  // namespace gorsefinch
