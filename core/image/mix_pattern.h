// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include "core/image/nearest_colour.h"

namespace gorsefinch {

// Ordered dither for any palette: for each colour, 16 entries of the palette whose mean comes nearest to it, from dark
// to light; a threshold picks one of them (after J. Yliluoma's description of arbitrary-palette positional dithering).
class MixPatterns {
  public:
    // `nearest` must outlive this. A strength below 100 carries on only part of each error.
    MixPatterns(const NearestColour& nearest, bool linear, int strength);

    // The entry for a colour under a threshold of 0 to 255. Colours that differ only in the lowest three bits of a
    // channel share a pattern, but for those of the palette itself.
    uint32_t colour(uint32_t argb, int threshold);

  private:
    using Pattern = std::array<uint8_t, 16>;
    Pattern make(uint32_t argb) const;

    const NearestColour& nearest_;
    NearestColour byLight_;  // the same entries by their light, where that is what is mixed
    bool linear_;
    int strength_;
    std::vector<uint16_t> numbers_;  // of known_, counted from 1, by the upper 5 bits of each channel; 0: not made yet
    std::vector<Pattern> known_;
    std::vector<uint8_t> greys_;  // of the entries
};

}  // namespace gorsefinch
