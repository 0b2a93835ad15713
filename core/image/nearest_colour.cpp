// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/nearest_colour.h"

#include <algorithm>
#include <limits>

#include "core/image/wide_loops.h"

namespace gorsefinch {

namespace {

constexpr int kCellSide = 8, kBlockSide = 32;

int channel(uint32_t argb, size_t c) { return static_cast<int>(argb >> (16 - 8 * c) & 255); }

constexpr int kBlockCells = kBlockSide / kCellSide;

// For the 64 cells of a block: distance and number of the entry nearest to each one's middle in one, so that the
// minimum of both is the first of the nearest. `channels`: of the entries that are possible in the block, less its
// lowest corner.
GORSEFINCH_WIDE_LOOPS void nearestInBlock(const std::array<int, 256>* channels, const uint16_t* numbers, size_t count,
                                          int* keys) {
    constexpr int cells = kBlockCells * kBlockCells * kBlockCells;
    for (int cell = 0; cell < cells; ++cell)
        keys[cell] = std::numeric_limits<int>::max();
    for (size_t i = 0; i < count; ++i) {
        const int red = channels[0][i] - kCellSide / 2, green = channels[1][i] - kCellSide / 2,
                  blue = channels[2][i] - kCellSide / 2;
        for (int cell = 0; cell < cells; ++cell) {
            const int r = cell / (kBlockCells * kBlockCells) * kCellSide - red;
            const int g = cell / kBlockCells % kBlockCells * kCellSide - green;
            const int b = cell % kBlockCells * kCellSide - blue;
            keys[cell] = std::min(keys[cell], (r * r + g * g + b * b) * 256 + numbers[i]);
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

NearestColour::NearestColour(std::vector<Colour> colours)
    : colours_(std::move(colours)), only_(kColourCells, 256), cells_(kColourCells), blocks_(512) {
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
size_t NearestColour::Choice::possibleIn(const std::array<int, 3>& low, int side,
                                         std::array<uint16_t, 256>& out) const {
    // The minimum and maximum distance of each colour to the cube's pixels.
    std::array<int, 256> min{}, max{};
    const size_t count = numbers.size();
    for (size_t c = 0; c < 3; ++c) {
        const int* values = channels[c].data();
        const int first = low[c], last = low[c] + side - 1;
        for (size_t i = 0; i < count; ++i) {
            const int outside = std::max(std::max(first - values[i], values[i] - last), 0);
            const int farthest = std::max(last - values[i], values[i] - first);
            min[i] += outside * outside;
            max[i] += farthest * farthest;
        }
    }
    const int bound = *std::min_element(max.begin(), max.begin() + static_cast<std::ptrdiff_t>(count));
    size_t kept = 0;
    for (size_t i = 0; i < count; ++i) {
        out[kept] = static_cast<uint16_t>(i);
        kept += min[i] <= bound ? 1 : 0;
    }
    return kept;
}

void NearestColour::fill(uint32_t number) const {
    const std::array<int, 3> low{static_cast<int>(number >> 10) * kCellSide,
                                 static_cast<int>(number >> 5 & 31) * kCellSide,
                                 static_cast<int>(number & 31) * kCellSide};
    // A cell looks only among what its larger block of cells left.
    Choice& block = blocks_[static_cast<size_t>(low[0] / kBlockSide) * 64 +
                            static_cast<size_t>(low[1] / kBlockSide) * 8 + static_cast<size_t>(low[2] / kBlockSide)];
    std::array<uint16_t, 256> possible;
    if (block.numbers.empty()) {
        const size_t count = all_.possibleIn(
            {low[0] / kBlockSide * kBlockSide, low[1] / kBlockSide * kBlockSide, low[2] / kBlockSide * kBlockSide},
            kBlockSide, possible);
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
    // Distance and number in one, so that the minimum of both is the first of the nearest.
    uint32_t min = std::numeric_limits<uint32_t>::max();
    const Candidate* at = candidates_.data() + cell.first;
    for (const Candidate* end = at + cell.count; at != end; ++at) {
        const int r = red - at->red, g = green - at->green, b = blue - at->blue;
        const uint32_t key = static_cast<uint32_t>(r * r + g * g + b * b) << 8 | at->number;
        min = std::min(min, key);
    }
    return min & 255;
}

void NearestColour::prepareCells() {
    std::vector<uint16_t> out(kColourCells);
    std::array<uint16_t, 256> possible, numbers;
    std::array<std::array<int, 256>, 3> channels;
    std::array<int, kBlockCells * kBlockCells * kBlockCells> keys;
    for (int block = 0; block < 512; ++block) {
        const std::array<int, 3> low{block / 64 * kBlockSide, block / 8 % 8 * kBlockSide, block % 8 * kBlockSide};
        const size_t count = all_.possibleIn(low, kBlockSide, possible);
        for (size_t i = 0; i < count; ++i) {
            numbers[i] = all_.numbers[possible[i]];
            for (size_t c = 0; c < 3; ++c)
                channels[c][i] = all_.channels[c][possible[i]] - low[c];
        }
        nearestInBlock(channels.data(), numbers.data(), count, keys.data());
        for (size_t cell = 0; cell < keys.size(); ++cell) {
            const auto at = [&](size_t c, size_t inBlock) { return static_cast<size_t>(low[c] / kCellSide) + inBlock; };
            out[at(0, cell / 16) << 10 | at(1, cell / 4 % 4) << 5 | at(2, cell % 4)] =
                static_cast<uint16_t>(keys[cell] & 255);
        }
    }
    for (const Colour& each : colours_)
        out[cellOf(each.argb)] = kSearch;
    ofCells_ = std::make_shared<const std::vector<uint16_t>>(std::move(out));
}

}  // namespace gorsefinch
