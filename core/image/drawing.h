// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <string>

#include "core/base/result.h"

namespace gorsefinch {

// Limits of a drawing (SVG): nesting of elements, elements drawn with all `use` expanded, and pixels of all embedded
// pictures together.
inline constexpr int kMaxDrawingDepth = 100;
inline constexpr size_t kMaxDrawnElements = 100000;
inline constexpr long kMaxEmbeddedPixels = 16L << 20;

// What drawing it requires.
struct DrawingNeeds {
    bool fonts = false;  // it has text
};

// Checks the drawing's XML without drawing anything, as the toolkit opens any file that an SVG names and follows
// references without a limit. Returns an error for malformed XML, references to other files (pictures, style sheets,
// `use`), embedded pictures other than PNG, JPEG, GIF, BMP and WebP, anything above the limits, and cyclic `use`.
// `file` is for messages.
Result<DrawingNeeds> inspectDrawing(const std::string& svg, const std::string& file);

}  // namespace gorsefinch
