// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

namespace gorsefinch {

// The SHA-256 of bytes, in lower-case hex.
std::string sha256(std::string_view bytes);

}  // namespace gorsefinch
