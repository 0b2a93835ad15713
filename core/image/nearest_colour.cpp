// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/nearest_colour.h"

#include <algorithm>
#include <limits>

namespace gorsefinch {

namespace {

constexpr int kCellSide = 8;

int channel(uint32_t argb, size_t c) { return static_cast<int>(argb >> (16 - 8 * c) & 255); }

}  // namespace

uint32_t colourDistance(uint32_t a, uint32_t b) {
    uint32_t sum = 0;
    for (size_t c = 0; c < 3; ++c) {
        const int apart = channel(a, c) - channel(b, c);
        sum += static_cast<uint32_t>(apart * apart);
    }
    return sum;
}

NearestColour::NearestColour(std::vector<Colour> colours) : colours_(std::move(colours)), only_(32768, 256), cells_(32768) {
    if (colours_.size() > 256)
        colours_.resize(256);
    if (colours_.empty())
        colours_.push_back(opaque(0));
    candidates_.reserve(size_t{1} << 16);
    for (size_t c = 0; c < 3; ++c)
        for (const Colour& each : colours_)
            channels_[c].push_back(channel(each.argb, c));
}

void NearestColour::fill(uint32_t number) const {
    const int low[3] = {static_cast<int>(number >> 10) * kCellSide, static_cast<int>(number >> 5 & 31) * kCellSide,
                        static_cast<int>(number & 31) * kCellSide};
    // The least and the greatest distance of each colour to the cell's pixels.
    std::array<int, 256> least{}, most{};
    const size_t count = colours_.size();
    for (size_t c = 0; c < 3; ++c) {
        const int* values = channels_[c].data();
        const int first = low[c], last = low[c] + kCellSide - 1;
        for (size_t i = 0; i < count; ++i) {
            const int below = first - values[i], above = values[i] - last;
            const int outside = std::max(std::max(below, above), 0);
            const int farthest = std::max(last - values[i], values[i] - first);
            least[i] += outside * outside;
            most[i] += farthest * farthest;
        }
    }
    const int bound = *std::min_element(most.begin(), most.begin() + static_cast<std::ptrdiff_t>(count));
    Cell& cell = cells_[number];
    cell.first = static_cast<uint32_t>(candidates_.size());
    for (size_t i = 0; i < count; ++i)
        if (least[i] <= bound)
            candidates_.push_back({static_cast<int16_t>(channels_[0][i]), static_cast<int16_t>(channels_[1][i]),
                                   static_cast<int16_t>(channels_[2][i]), static_cast<uint16_t>(i)});
    cell.count = static_cast<uint16_t>(candidates_.size() - cell.first);
    if (cell.count == 1)
        only_[number] = candidates_[cell.first].number;
}

uint32_t NearestColour::among(uint32_t number, uint32_t argb) const {
    if (cells_[number].count == 0)
        fill(number);
    const Cell& cell = cells_[number];
    const int red = channel(argb, 0), green = channel(argb, 1), blue = channel(argb, 2);
    // Distance and number in one, so that the least of both is the first of the nearest.
    uint32_t least = std::numeric_limits<uint32_t>::max();
    const Candidate* at = candidates_.data() + cell.first;
    for (const Candidate* end = at + cell.count; at != end; ++at) {
        const int r = red - at->red, g = green - at->green, b = blue - at->blue;
        const uint32_t key = static_cast<uint32_t>(r * r + g * g + b * b) << 8 | at->number;
        least = std::min(least, key);
    }
    return least & 255;
}

}  // namespace gorsefinch
