// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/nearest_colour.h"

#include <algorithm>
#include <limits>

#include "core/image/wide_loops.h"

namespace gorsefinch {

namespace {

constexpr int kCellSide = 8, kBlockSide = 32;

int channel(uint32_t argb, size_t c) { return static_cast<int>(argb >> (16 - 8 * c) & 255); }

// The nearest entry to each of 32 cells along blue: distance and number in one, so that the least of both is the first
// of the nearest. `apart`: of each entry's red and green.
GORSEFINCH_WIDE_LOOPS void nearestAlongBlue(const int* apart, const int* blues, int count, int* keys) {
    for (int cell = 0; cell < 32; ++cell)
        keys[cell] = std::numeric_limits<int>::max();
    for (int entry = 0; entry < count; ++entry) {
        const int redAndGreen = apart[entry], blue = blues[entry];
        for (int cell = 0; cell < 32; ++cell) {
            const int away = cell * kCellSide + kCellSide / 2 - blue;
            const int key = (redAndGreen + away * away) * 256 + entry;
            keys[cell] = std::min(keys[cell], key);
        }
    }
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

NearestColour::NearestColour(std::vector<Colour> colours) : colours_(std::move(colours)), only_(kColourCells, 256), cells_(kColourCells), blocks_(512) {
    if (colours_.size() > 256)
        colours_.resize(256);
    if (colours_.empty())
        colours_.push_back(opaque(0));
    candidates_.reserve(size_t{1} << 16);
    for (const Colour& each : colours_) {
        for (size_t c = 0; c < 3; ++c)
            all_.channels[c].push_back(channel(each.argb, c));
        all_.numbers.push_back(static_cast<uint16_t>(all_.numbers.size()));
    }
}

void NearestColour::Choice::add(const Choice& from, size_t i) {
    for (size_t c = 0; c < 3; ++c)
        channels[c].push_back(from.channels[c][i]);
    numbers.push_back(from.numbers[i]);
}

// Which can be nearest to some pixel of the cube with this lowest corner and side; how many.
size_t NearestColour::Choice::possibleIn(const std::array<int, 3>& low, int side, std::array<uint16_t, 256>& out) const {
    // The least and the greatest distance of each colour to the cube's pixels.
    std::array<int, 256> least{}, most{};
    const size_t count = numbers.size();
    for (size_t c = 0; c < 3; ++c) {
        const int* values = channels[c].data();
        const int first = low[c], last = low[c] + side - 1;
        for (size_t i = 0; i < count; ++i) {
            const int outside = std::max(std::max(first - values[i], values[i] - last), 0);
            const int farthest = std::max(last - values[i], values[i] - first);
            least[i] += outside * outside;
            most[i] += farthest * farthest;
        }
    }
    const int bound = *std::min_element(most.begin(), most.begin() + static_cast<std::ptrdiff_t>(count));
    size_t kept = 0;
    for (size_t i = 0; i < count; ++i) {
        out[kept] = static_cast<uint16_t>(i);
        kept += least[i] <= bound ? 1 : 0;
    }
    return kept;
}

void NearestColour::fill(uint32_t number) const {
    const std::array<int, 3> low{static_cast<int>(number >> 10) * kCellSide, static_cast<int>(number >> 5 & 31) * kCellSide,
                                 static_cast<int>(number & 31) * kCellSide};
    // A cell looks only among what its larger block of cells left.
    Choice& block = blocks_[static_cast<size_t>(low[0] / kBlockSide * 64 + low[1] / kBlockSide * 8 + low[2] / kBlockSide)];
    std::array<uint16_t, 256> possible;
    if (block.numbers.empty()) {
        const size_t count = all_.possibleIn({low[0] / kBlockSide * kBlockSide, low[1] / kBlockSide * kBlockSide, low[2] / kBlockSide * kBlockSide}, kBlockSide, possible);
        for (size_t i = 0; i < count; ++i)
            block.add(all_, possible[i]);
    }
    const size_t count = block.possibleIn(low, kCellSide, possible);
    Cell& cell = cells_[number];
    cell.first = static_cast<uint32_t>(candidates_.size());
    for (size_t i = 0; i < count; ++i) {
        const size_t at = possible[i];
        candidates_.push_back({static_cast<int16_t>(block.channels[0][at]), static_cast<int16_t>(block.channels[1][at]),
                               static_cast<int16_t>(block.channels[2][at]), block.numbers[at]});
    }
    cell.count = static_cast<uint16_t>(count);
    if (cell.count == 1)
        only_[number] = candidates_.back().number;
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

std::vector<uint16_t> NearestColour::nearestToCells() const {
    std::vector<uint16_t> out(kColourCells);
    const auto count = static_cast<int>(colours_.size());
    std::array<int, 256> apart{};
    std::array<int, 32> keys;
    const auto middle = [](size_t cell) { return static_cast<int>(cell & 31) * kCellSide + kCellSide / 2; };
    for (size_t row = 0; row < kColourCells / 32; ++row) {
        for (size_t i = 0; i < colours_.size(); ++i) {
            const int red = middle(row >> 5) - all_.channels[0][i], green = middle(row) - all_.channels[1][i];
            apart[i] = red * red + green * green;
        }
        nearestAlongBlue(apart.data(), all_.channels[2].data(), count, keys.data());
        for (size_t cell = 0; cell < keys.size(); ++cell)
            out[row * 32 + cell] = static_cast<uint16_t>(keys[cell] & 255);
    }
    for (const Colour& each : colours_)
        out[cellOf(each.argb)] = 256;
    return out;
}

}  // namespace gorsefinch
