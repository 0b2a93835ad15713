// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <span>

#include "core/document/recipe.h"
#include "core/image/picture.h"

namespace gorsefinch {

struct PixelSize {
    int width = 0, height = 0;
    friend bool operator==(const PixelSize&, const PixelSize&) = default;
};

// A part of a picture in pixels.
struct PixelBox {
    int x = 0, y = 0, width = 0, height = 0;
    friend bool operator==(const PixelBox&, const PixelBox&) = default;
};

// What a recipe keeps of an original of w x h: its crop, clamped to the picture; all of it without one.
PixelBox croppedBox(const RecipeShape& shape, int w, int h);

// The size that a recipe gives a cut-out of w x h (turned already): a side of 0 follows the other by the aspect, both
// 0 keep the cut-out's. At most kMaxResultSide a side.
PixelSize resultSize(const RecipeShape& shape, int w, int h);

// How many times larger than the original the result's pixels are; above 1 it looks blocky or soft.
double enlargement(const RecipeShape& shape, int w, int h);

// The frames cropped, keyed, trimmed, turned, flipped and scaled; beside what is contained they are transparent. What
// is trimmed is empty in all of them. Empty if the frames would have more than `maxPixels` together, before or after.
std::vector<Picture> shaped(std::span<const Picture* const> frames, const RecipeShape& shape,
                            int64_t maxPixels = INT64_MAX);
Picture shaped(const Picture& original, const RecipeShape& shape);

// The cells of a sheet, row by row: each as large as the sheet divided, what is left over at the edges is dropped.
std::vector<Picture> sheetCells(const Picture& sheet, int columns, int rows);

}  // namespace gorsefinch
