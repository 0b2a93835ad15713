// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/light.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace gorsefinch {

const std::array<uint16_t, 256>& lightOfStored() {
    static const auto table = [] {
        std::array<uint16_t, 256> out;
        for (size_t i = 0; i < out.size(); ++i) {
            const double v = static_cast<double>(i) / 255;
            const double light = v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
            out[i] = static_cast<uint16_t>(std::lround(light * 65535));
        }
        return out;
    }();
    return table;
}

uint8_t storedOfLight(uint32_t light) {
    static const auto table = [] {
        std::vector<uint8_t> out(65536);
        const auto& known = lightOfStored();
        size_t value = 0;
        for (size_t i = 0; i < out.size(); ++i) {
            while (value < 255 && i * 2 > static_cast<size_t>(known[value]) + known[value + 1])
                ++value;
            out[i] = static_cast<uint8_t>(value);
        }
        return out;
    }();
    return table[std::min(light, 65535u)];
}

}  // namespace gorsefinch
