// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/image/baked_image.h"

namespace gorsefinch {

// How a picture is written for drawing code that is not ours.
struct ExportStyle {
    std::string name = "image";       // in C
    std::string storage = "const";    // before each array, such as "static const"
    std::string element = "uint8_t";  // or uint16_t, for formats of 16 bits; any type of that size
};

// The endings that exportImage() knows, with what each is.
struct ExportEnding {
    const char* ending;
    const char* help;
};
std::span<const ExportEnding> exportEndings();

// A file of an image that was baked plainly for a panel of its own format: ".c" and ".h" (arrays with width, height,
// size and frames in constants), ".bin" (the packed bytes, frame after frame, mask behind each), or the first frame as
// ".png", ".bmp", ".xbm", ".pbm", ".pgm" by their own conventions. Another ending, a name or a type that is no C, and
// words of 16 bits for other formats are refused.
Result<std::string> exportImage(const BakedImage& image, const ExportStyle& style, const std::string& ending);

// Several files of one image, one for each ending. A header beside a source declares what the source defines; alone it
// defines it. Refuses as exportImage() does, and static storage where a header is to declare it.
struct ExportedFile {
    std::string ending, bytes;
};
Result<std::vector<ExportedFile>> exportFiles(const BakedImage& image, const ExportStyle& style,
                                              std::span<const std::string> endings);

// The image by its recipe, plain and in the code, as exportImage() wants it. `format` may be an alpha mask.
Result<BakedImageRef> bakeForExport(const Document& document, const Image& image, PixelFormat format,
                                    ImageBakery& bakery);

}  // namespace gorsefinch
