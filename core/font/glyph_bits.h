// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "runtime/gorse_scene.h"

namespace gorsefinch {

// Coverage from 0 to 255 as glyphs store it, nearest levels of 1, 2, 4 or 8 bits.
// Plain: rows without gaps, leftmost pixel in the highest bits.
std::vector<uint8_t> packCoverage(const std::vector<uint8_t>& coverage, int bits);
// Runs of half bytes, as runtime/gorse_glyph_runs.c reads them.
std::vector<uint8_t> packCoverageRuns(const std::vector<uint8_t>& coverage, int bits);

// The other way, from `offset` on: `count` values. Bytes that are not there count as 0.
std::vector<uint8_t> unpackCoverage(const std::vector<uint8_t>& packed, size_t offset, size_t count, int bits);

// How the runtime reads glyphs of so many bits, plain or as runs: the function, its name, and the file that it is
// in.
struct GlyphReader {
    decltype(gorse_font::read) function;
    const char* symbol;
    const char* source;
};
const GlyphReader& readerOfGlyphs(int bits, bool runs);

}  // namespace gorsefinch
