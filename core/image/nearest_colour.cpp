// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/nearest_colour.h"

#include <algorithm>
#include <limits>

namespace gorsefinch {

namespace {

constexpr int kCellSide = 8;

int channel(uint32_t argb, size_t c) { return static_cast<int>(argb >> (16 - 8 * c) & 255); }

// The least and the greatest distance of a colour to a cell's pixels.
struct Reach {
    int least = 0, most = 0;
};

Reach reachOf(uint32_t argb, const std::array<int, 3>& low) {
    Reach out;
    for (size_t c = 0; c < 3; ++c) {
        const int value = channel(argb, c), high = low[c] + kCellSide - 1;
        const int outside = value < low[c] ? low[c] - value : value > high ? value - high : 0;
        const int farthest = std::max(std::abs(value - low[c]), std::abs(value - high));
        out.least += outside * outside;
        out.most += farthest * farthest;
    }
    return out;
}

}  // namespace

uint32_t colourDistance(uint32_t a, uint32_t b) {
    uint32_t sum = 0;
    for (size_t c = 0; c < 3; ++c) {
        const int apart = channel(a, c) - channel(b, c);
        sum += static_cast<uint32_t>(apart * apart);
    }
    return sum;
}

NearestColour::NearestColour(std::vector<Colour> colours) : colours_(std::move(colours)), cells_(32768) {
    if (colours_.size() > 256)
        colours_.resize(256);
    if (colours_.empty())
        colours_.push_back(opaque(0));
}

void NearestColour::fill(uint32_t number) const {
    Cell& cell = cells_[number];
    const std::array<int, 3> low{static_cast<int>(number >> 10) * kCellSide, static_cast<int>(number >> 5 & 31) * kCellSide,
                                 static_cast<int>(number & 31) * kCellSide};
    std::array<int, 256> least{};
    int bound = std::numeric_limits<int>::max();
    for (size_t i = 0; i < colours_.size(); ++i) {
        const Reach reach = reachOf(colours_[i].argb, low);
        least[i] = reach.least;
        bound = std::min(bound, reach.most);
    }
    cell.first = static_cast<uint32_t>(candidates_.size());
    for (size_t i = 0; i < colours_.size(); ++i)
        if (least[i] <= bound)
            candidates_.push_back(static_cast<uint8_t>(i));
    cell.count = static_cast<uint16_t>(candidates_.size() - cell.first);
    cell.only = candidates_[cell.first];
}

uint32_t NearestColour::among(const Cell& cell, uint32_t argb) const {
    uint32_t best = 0, least = std::numeric_limits<uint32_t>::max();
    for (size_t i = 0; i < cell.count; ++i) {
        const uint32_t number = candidates_[cell.first + i];
        const uint32_t apart = colourDistance(argb, colours_[number].argb);
        if (apart < least) {
            least = apart;
            best = number;
        }
    }
    return best;
}

}  // namespace gorsefinch
