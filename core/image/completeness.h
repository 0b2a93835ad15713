// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <utility>

namespace gorsefinch {

// True if a picture's bytes end before its pixels do. The toolkit's decoders of JPEG, BMP and GIF fill what is missing
// and say nothing, and that of PNG allocates whatever length a chunk claims, so the structure is checked first.
// `format` is "png", "jpeg", "bmp" or "gif"; others are never cut.
bool isCutOff(std::string_view bytes, std::string_view format);

// The size that a GIF's screen or a PBM's, PGM's or PPM's header states, which the toolkit's readers don't before they
// make the picture; nothing for other formats and broken headers.
std::optional<std::pair<uint64_t, uint64_t>> declaredSize(std::string_view bytes, std::string_view format);

}  // namespace gorsefinch
