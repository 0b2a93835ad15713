// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

namespace gorsefinch {

// A number as the user reads it: 1043 with 1 decimal is "104.3".
std::string decimalText(int64_t value, int decimals);
// The other way; nothing if it is not a number or out of 32 bits. Digits beyond the decimals are rounded.
std::optional<int32_t> decimalFromText(std::string_view text, int decimals);

}  // namespace gorsefinch
