// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace gorsefinch {

// The levels of one channel, and between which two a value of 0 to 255 lies: as stored, or in linear light.
class LevelSteps {
  public:
    // `shift` is added to each value first: 128 less the threshold of one-bit greys.
    LevelSteps(int bits, bool linear, int shift = 0);

    // The nearest level, as stored.
    uint8_t plainLevel(uint32_t value) const { return plain_[value]; }

    // The level of a value under a threshold of 0 to 255: an even spread of thresholds gives the value on average.
    uint8_t level(uint32_t value, int threshold) const {
        const Step& step = steps_[value];
        return static_cast<uint8_t>(step.low + (step.part > threshold ? 1 : 0));
    }

    // For error diffusion: a value's amount and a level's, in the same unit (16ths of stored steps or light of 0 to
    // 65535), and the level nearest to an amount.
    int amountOf(uint32_t value) const { return amounts_[value]; }
    int amountOfLevel(uint32_t level) const { return levelAmounts_[level]; }
    uint8_t nearestLevel(int amount) const {
        const int max = linear_ ? 65535 : 255 * 16;
        const int clamped = amount < 0 ? 0 : amount > max ? max : amount;
        return nearest_[static_cast<size_t>(linear_ ? clamped >> 4 : clamped)];
    }
    // The largest amount.
    int maxAmount() const { return linear_ ? 65535 : 255 * 16; }
    int top() const { return static_cast<int>(levelAmounts_.size()) - 1; }

  private:
    struct Step {
        uint8_t low = 0;
        int16_t part = 0;  // of the way to the next level, 0 to 256
    };
    bool linear_;
    std::array<Step, 256> steps_{};
    std::array<uint8_t, 256> plain_{};
    std::array<int, 256> amounts_{};
    std::vector<int> levelAmounts_;
    std::vector<uint8_t> nearest_;
};

}  // namespace gorsefinch
