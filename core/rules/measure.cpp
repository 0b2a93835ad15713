// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/measure.h"

#include <algorithm>

namespace gorsefinch {

std::optional<int64_t> measure(const Token& number, const Token& unit, std::span<const Unit> units) {
    const auto found = std::find_if(units.begin(), units.end(), [&](const Unit& each) { return unit.is(each.word); });
    if (number.type != TokenType::Number || found == units.end() || number.number > 1000000000)
        return std::nullopt;
    int64_t value = number.number * found->factor;
    for (int i = 0; i < number.decimals; ++i) {
        if (value % 10 != 0)
            return std::nullopt;
        value /= 10;
    }
    return value;
}

}  // namespace gorsefinch
