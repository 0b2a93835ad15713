// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/glyph_bits.h"

#include "core/image/levels.h"

namespace gorsefinch {

namespace {

class HalfBytes {
  public:
    void put(unsigned half) {
        if (low_)
            bytes_.back() = static_cast<uint8_t>(bytes_.back() | half);
        else
            bytes_.push_back(static_cast<uint8_t>(half << 4));
        low_ = !low_;
    }
    // Adds up: each full half byte says that another follows.
    void putLength(size_t length) {
        for (; length >= 15; length -= 15)
            put(15);
        put(static_cast<unsigned>(length));
    }
    std::vector<uint8_t> take() { return std::move(bytes_); }

  private:
    std::vector<uint8_t> bytes_;
    bool low_ = false;
};

void putRun(HalfBytes& out, unsigned level, size_t length, int bits) {
    const unsigned top = (1u << bits) - 1u;
    if (bits == 1) {
        out.putLength(length);
    } else if (bits == 2) {
        const size_t more = length - 1;
        out.put(level << 2 | static_cast<unsigned>(more < 3 ? more : 3));
        if (more >= 3)
            out.putLength(more - 3);
    } else {
        const bool lengthFollows = level == 0 || level == top;
        for (size_t i = 0; i < (lengthFollows ? 1 : length); ++i) {
            if (bits == 8)
                out.put(level >> 4);
            out.put(level & 15u);
        }
        if (lengthFollows)
            out.putLength(length - 1);
    }
}

}  // namespace

std::vector<uint8_t> packCoverage(const std::vector<uint8_t>& coverage, int bits) {
    std::vector<uint8_t> out((coverage.size() * static_cast<size_t>(bits) + 7) / 8);
    for (size_t i = 0; i < coverage.size(); ++i) {
        const size_t bit = i * static_cast<size_t>(bits);
        out[bit / 8] |= static_cast<uint8_t>(levelOf(coverage[i], bits) << (8 - static_cast<size_t>(bits) - bit % 8));
    }
    return out;
}

std::vector<uint8_t> packCoverageRuns(const std::vector<uint8_t>& coverage, int bits) {
    HalfBytes out;
    unsigned expected = 0;  // with one bit, runs alternate from not set on
    for (size_t i = 0; i < coverage.size();) {
        const unsigned level = levelOf(coverage[i], bits);
        size_t end = i + 1;
        while (end < coverage.size() && levelOf(coverage[end], bits) == level)
            ++end;
        if (bits == 1 && level != expected)
            out.putLength(0);
        putRun(out, level, end - i, bits);
        expected = 1 - level;
        i = end;
    }
    return out.take();
}

std::vector<uint8_t> unpackCoverage(const std::vector<uint8_t>& packed, size_t offset, size_t count, int bits) {
    std::vector<uint8_t> out;
    for (size_t i = 0; i < count; ++i) {
        const size_t bit = i * static_cast<size_t>(bits), at = offset + bit / 8;
        const unsigned byte = at < packed.size() ? packed[at] : 0;
        const unsigned level = byte >> (8 - static_cast<size_t>(bits) - bit % 8) & ((1u << bits) - 1u);
        out.push_back(static_cast<uint8_t>(valueOf(level, bits)));
    }
    return out;
}

const GlyphReader& readerOfGlyphs(int bits, bool runs) {
    static constexpr GlyphReader packed{gorse_read_glyph_runs, "gorse_read_glyph_runs", "gorse_glyph_runs.c"};
    static constexpr GlyphReader defaults{gorse_read_glyph_nibbles, "gorse_read_glyph_nibbles",
                                          "gorse_glyph_nibbles.c"};
    static constexpr GlyphReader others{gorse_read_glyph_bits, "gorse_read_glyph_bits", "gorse_glyph_bits.c"};
    return runs ? packed : bits == 4 ? defaults : others;
}

}  // namespace gorsefinch
