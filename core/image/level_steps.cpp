// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/level_steps.h"

#include <algorithm>
#include <cstdlib>

#include "core/image/levels.h"
#include "core/image/light.h"

namespace gorsefinch {

LevelSteps::LevelSteps(int bits, bool linear, int shift) : linear_(linear) {
    const auto& light = lightOfStored();
    const auto amount = [&](int value) {
        const int clamped = std::clamp(value, 0, 255);
        return linear ? static_cast<int>(light[static_cast<size_t>(clamped)]) : clamped * 16;
    };
    const uint32_t top = (1u << bits) - 1u;
    for (uint32_t level = 0; level <= top; ++level)
        levelAmounts_.push_back(linear ? amount(static_cast<int>(valueOf(level, bits)))
                                       : static_cast<int>((level * 255 * 16 * 2 + top) / (2 * top)));
    for (size_t value = 0; value < 256; ++value) {
        amounts_[value] = amount(static_cast<int>(value) + shift);
        size_t low = 0;
        while (low + 1 < top && levelAmounts_[low + 1] <= amounts_[value])
            ++low;
        const int step = levelAmounts_[low + 1] - levelAmounts_[low];
        steps_[value].low = static_cast<uint8_t>(low);
        steps_[value].part = static_cast<int16_t>(((amounts_[value] - levelAmounts_[low]) * 512 + step) / (2 * step));
        plain_[value] = static_cast<uint8_t>(
            levelOf(static_cast<uint32_t>(std::clamp(static_cast<int>(value) + shift, 0, 255)), bits));
    }
    const int cells = linear ? 4096 : 255 * 16 + 1;
    for (int cell = 0; cell < cells; ++cell) {
        const int at = linear ? cell * 16 + 8 : cell;
        size_t best = nearest_.empty() ? 0 : nearest_.back();
        while (best < top && std::abs(levelAmounts_[best + 1] - at) <= std::abs(levelAmounts_[best] - at))
            ++best;
        nearest_.push_back(static_cast<uint8_t>(best));
    }
}

}  // namespace gorsefinch
