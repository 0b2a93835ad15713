// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <string>

#include "core/base/result.h"

namespace gorsefinch {

// Limits of a drawing (SVG): elements nested in each other, elements drawn once all `use` are followed, and pixels of
// the pictures embedded in it, together.
inline constexpr int kMaxDrawingDepth = 100;
inline constexpr size_t kMaxDrawnElements = 100000;
inline constexpr long kMaxEmbeddedPixels = 16L << 20;

// What a drawing asks of whoever draws it.
struct DrawingNeeds {
    bool fonts = false;  // it has text
};

// Reads the drawing's XML without drawing anything. The toolkit would open whatever file an SVG names, and follow
// references without a bound, so an error comes back for: XML that is broken; references to other files (pictures,
// style sheets, `use`); embedded pictures that are no PNG, JPEG, GIF, BMP or WebP; anything above the limits; a `use`
// that contains itself. `file` is for messages.
Result<DrawingNeeds> inspectDrawing(const std::string& svg, const std::string& file);

}  // namespace gorsefinch
