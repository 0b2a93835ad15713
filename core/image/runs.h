// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <vector>

#include "core/document/pixel_format.h"

namespace gorsefinch {

// Bytes packed by runs as the runtime reads them (gorse_image.h): each row for itself, and where each group of rows
// begins.
struct RunBytes {
    std::vector<uint8_t> bytes;
    std::vector<uint32_t> groups;

    size_t size() const { return bytes.size() + groups.size() * 4; }
};

// Packs rows of `rowUnits` units of `unit` bytes (1 to 4); a group begins every `groupRows` rows (8; 1 for pages).
RunBytes packedByRuns(std::span<const uint8_t> plain, size_t rowUnits, size_t unit, size_t groupRows);

// The same for the packed rows or pages of a picture.
RunBytes packedByRuns(std::span<const uint8_t> plain, PixelFormat format, int width);

// The other way, for `rows` rows; nothing if the bytes end early or a run leaves its row.
std::optional<std::vector<uint8_t>> unpackedRuns(const RunBytes& packed, size_t rowUnits, size_t unit, size_t rows);

// The packed bytes of a picture that were packed by runs; nothing if they don't fit its size.
std::optional<std::vector<uint8_t>> unpackedRuns(const RunBytes& packed, PixelFormat format, int width, int height);

}  // namespace gorsefinch
