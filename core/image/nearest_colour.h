// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <memory>
#include <vector>

#include "core/kinds/value.h"

namespace gorsefinch {

// Cells that colour space is cut into, 32 along each channel.
inline constexpr size_t kColourCells = 32768;

// Finds the nearest of up to 256 colours, by the sum of squared channel differences, the first of equals: as the
// runtime does. Each cell of colour space gets the few colours that can be nearest in it when it is first
// requested. Not to be shared between threads.
class NearestColour {
  public:
    // At least one colour; those beyond 256 are ignored.
    explicit NearestColour(std::vector<Colour> colours);

    uint32_t of(uint32_t argb) const {
        const uint32_t number = cellOf(argb);
        const uint16_t only = only_[number];
        return only < 256 ? only : among(number, argb);
    }
    const std::vector<Colour>& colours() const { return colours_; }

    // Prepares nearly() for many questions: worth it from some 60,000 on. Copies made later share what is prepared.
    void prepareCells();
    // Like of(), but after prepareCells() the colour nearest to the middle of a cell is returned for all of it, unless
    // a colour of the palette lies in it. So a colour of the palette is always found.
    uint32_t nearly(uint32_t argb) const {
        const uint32_t entry = ofCells_ ? (*ofCells_)[cellOf(argb)] : kSearch;
        return entry == kSearch ? of(argb) : entry;
    }
    // What is prepared, by the upper 5 bits of red, green and blue; kSearch where of() must search. 0 if nothing is.
    const uint16_t* cells() const { return ofCells_ ? ofCells_->data() : nullptr; }
    static constexpr uint16_t kSearch = 256;

  private:
    static uint32_t cellOf(uint32_t argb) { return (argb >> 9 & 0x7c00) | (argb >> 6 & 0x3e0) | (argb >> 3 & 0x1f); }

    struct Cell {
        uint32_t first = 0;  // of candidates_
        uint16_t count = 0;  // 0: not requested yet
    };
    struct Candidate {
        int16_t red, green, blue;
        uint16_t number;
    };
    // Some of the colours, channel by channel.
    struct Choice {
        std::array<std::vector<int>, 3> channels;
        std::vector<uint16_t> numbers;
        void add(const Choice& from, size_t i);
        size_t possibleIn(const std::array<int, 3>& low, int side, std::array<uint16_t, 256>& out) const;
    };
    uint32_t among(uint32_t number, uint32_t argb) const;
    void fill(uint32_t number) const;

    std::vector<Colour> colours_;
    Choice all_;
    std::shared_ptr<const std::vector<uint16_t>> ofCells_;
    mutable std::vector<uint16_t> only_;  // the one colour that can be nearest in a cell, or 256
    mutable std::vector<Cell> cells_;
    mutable std::vector<Choice> blocks_;  // what can be nearest in larger blocks of cells
    mutable std::vector<Candidate> candidates_;
};

// Sum of squared channel differences.
uint32_t colourDistance(uint32_t a, uint32_t b);

}  // namespace gorsefinch
