// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

namespace gorsefinch {

// The SHA-256 of bytes, in lower-case hex.
std::string sha256(const std::string& bytes);

}  // namespace gorsefinch
