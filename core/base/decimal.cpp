// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/decimal.h"

namespace gorsefinch {

std::string decimalText(int64_t value, int decimals) {
    std::string digits = std::to_string(value < 0 ? -value : value);
    if (decimals > 0) {
        const auto min = static_cast<size_t>(decimals) + 1;
        if (digits.size() < min)
            digits.insert(0, min - digits.size(), '0');
        digits.insert(digits.size() - static_cast<size_t>(decimals), ".");
    }
    return (value < 0 ? "-" : "") + digits;
}

std::optional<int32_t> decimalFromText(std::string_view text, int decimals) {
    while (!text.empty() && text.front() == ' ')
        text.remove_prefix(1);
    while (!text.empty() && text.back() == ' ')
        text.remove_suffix(1);
    const bool negative = !text.empty() && text.front() == '-';
    if (negative)
        text.remove_prefix(1);
    int64_t value = 0;
    int behind = -1;  // digits behind the point so far
    bool any = false, round = false;
    for (const char c : text) {
        if (c == '.' && behind < 0) {
            behind = 0;
            continue;
        }
        if (c < '0' || c > '9')
            return std::nullopt;
        any = true;
        if (behind >= decimals) {
            if (behind++ == decimals)
                round = c >= '5';
            continue;
        }
        behind += behind >= 0;
        value = value * 10 + (c - '0');
        if (value > 2147483648LL)
            return std::nullopt;
    }
    for (int i = std::max(behind, 0); i < decimals; ++i)
        value = std::min(value * 10, int64_t{1} << 40);
    value += round;
    value = negative ? -value : value;
    if (!any || value > 2147483647LL || value < -2147483648LL)
        return std::nullopt;
    return static_cast<int32_t>(value);
}

}  // namespace gorsefinch
