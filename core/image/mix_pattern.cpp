// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/mix_pattern.h"

#include <algorithm>

#include "core/image/levels.h"
#include "core/image/light.h"

namespace gorsefinch {

namespace {

using Amounts = std::array<int, 3>;

Amounts amountsOf(uint32_t argb, bool linear) {
    Amounts out;
    for (size_t c = 0; c < 3; ++c) {
        const uint32_t value = argb >> (16 - 8 * c) & 255;
        out[c] = linear ? lightOfStored()[value] : static_cast<int>(value) * 257;
    }
    return out;
}

// Amounts as if they were a colour, for looking up the nearest.
uint32_t colourOf(const Amounts& amounts) {
    uint32_t out = 0xff000000u;
    for (size_t c = 0; c < 3; ++c)
        out |= (static_cast<uint32_t>(std::clamp(amounts[c], 0, 65535)) * 255 + 32767) / 65535 << (16 - 8 * c);
    return out;
}

std::vector<Colour> lightsOf(const std::vector<Colour>& colours) {
    std::vector<Colour> out;
    for (const Colour& each : colours)
        out.push_back({colourOf(amountsOf(each.argb, true))});
    return out;
}

}  // namespace

MixPatterns::MixPatterns(const NearestColour& nearest, bool linear, int strength)
    : nearest_(nearest),
      byLight_(linear ? lightsOf(nearest.colours()) : std::vector<Colour>{opaque(0)}),
      linear_(linear),
      strength_(strength),
      numbers_(kColourCells) {
    if (linear && nearest.cells())
        byLight_.prepareCells();
    for (const Colour& each : nearest.colours())
        greys_.push_back(static_cast<uint8_t>(greyOf(each.argb)));
}

MixPatterns::Pattern MixPatterns::make(uint32_t argb) const {
    Pattern out;
    const Amounts wanted = amountsOf(argb, linear_);
    Amounts error{};
    for (uint8_t& entry : out) {
        Amounts aim;
        for (size_t c = 0; c < 3; ++c)
            aim[c] = wanted[c] + error[c] * strength_ / 100;
        entry = static_cast<uint8_t>((linear_ ? byLight_ : nearest_).nearly(colourOf(aim)));
        const Amounts got = amountsOf(nearest_.colours()[entry].argb, linear_);
        for (size_t c = 0; c < 3; ++c)
            error[c] += wanted[c] - got[c];
    }
    // Sixteen are put in order as a hand of cards is.
    for (size_t i = 1; i < out.size(); ++i)
        for (size_t j = i; j > 0 && greys_[out[j]] < greys_[out[j - 1]]; --j)
            std::swap(out[j], out[j - 1]);
    return out;
}

uint32_t MixPatterns::colour(uint32_t argb, int threshold) {
    const uint32_t plain = nearest_.nearly(argb);
    if (((nearest_.colours()[plain].argb ^ argb) & 0xffffff) == 0)
        return plain;
    const uint32_t key = (argb >> 9 & 0x7c00) | (argb >> 6 & 0x3e0) | (argb >> 3 & 0x1f);
    if (numbers_[key] == 0) {
        if (known_.size() == 65535)
            return plain;
        // The middle of the shared range.
        known_.push_back(make((argb & 0xf8f8f8) | 0x040404));
        numbers_[key] = static_cast<uint16_t>(known_.size());
    }
    // The lowest threshold picks the lightest.
    return known_[numbers_[key] - 1u][static_cast<size_t>(15 - std::clamp(threshold, 0, 255) / 16)];
}

}  // namespace gorsefinch
