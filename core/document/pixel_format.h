// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string_view>
#include <vector>

#include "core/kinds/value.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

enum class PixelFormat {
    Page1,
    Row1,
    Row1Lsb,
    Grey2,
    Grey4,
    Grey8,
    Index1,
    Index2,
    Index4,
    Index8,
    Rgb332,
    Rgb565,
    Rgb565Be,
    Rgb888,
    Argb8888,
    A1,
    A2,
    A4,
    A8
};

// How pixels lie in bytes: upright in pages of 8 rows, side by side with the leftmost in the highest or in the lowest
// bits, or in whole bytes.
enum class PixelLayout { Pages, Rows, RowsLowFirst, WholeBytes };

// What a pixel's number means.
enum class PixelMeaning { Grey, Palette, Colour, Alpha };

// A file of the runtime and what it defines.
struct RuntimeSymbol {
    const char* symbol = "";
    const char* source = "";
};

// How an image whose pixels are not in the panel's form is made so while it is drawn.
using ImageConversion = decltype(gorse_image_source::convert);

// All that anything needs to know of a pixel format. One table; see pixelFormats().
struct PixelFormatInfo {
    PixelFormat format;
    const char* key;  // in files and on the command line
    const char* help;
    int bits;  // a pixel
    PixelLayout layout;
    PixelMeaning meaning;
    int redBits, greenBits, blueBits;  // of colours; of greys, all have the pixel's
    int fontBits;                      // a pixel of the fonts on a panel of this format
    const gorse_format* panel;         // how a panel of this format is drawn; null for masks
    RuntimeSymbol panelSymbol;
    const gorse_image_format* image;  // how an image of this format is read; null for masks
    RuntimeSymbol imageSymbol;
    ImageConversion convert;  // for a panel of another format; null: by a palette
    RuntimeSymbol convertSymbol;

    bool isMask() const { return meaning == PixelMeaning::Alpha; }
    bool hasPalette() const { return meaning == PixelMeaning::Palette; }
    // Black and white, or as good as.
    bool isOneBit() const { return bits == 1; }
    int pixelsPerByte() const { return bits < 8 ? 8 / bits : 1; }
};

std::span<const PixelFormatInfo> pixelFormats();
const PixelFormatInfo& info(PixelFormat format);
// The alpha mask of 1, 2, 4 or 8 bits.
PixelFormat maskOfBits(int bits);
// Null for an unknown key.
const PixelFormatInfo* pixelFormatByKey(std::string_view key);

// The runtime's function that turns a drawn strip of a panel's format.
struct TurnFunction {
    decltype(gorse_panel::turn) function;
    RuntimeSymbol symbol;
};
TurnFunction turnOf(PixelFormat format);

// Bytes of w x h packed pixels (DESIGN 6: rows padded to whole bytes, page1 in pages of 8 rows).
long packedBytes(PixelFormat format, int w, int h);
// Bytes of one row, or of one page.
long packedRowBytes(PixelFormat format, int w);

// Colours of an indexed panel that sets none: black and white, four greys, the sixteen named colours of HTML 4, or a
// cube of 6 levels a channel with 40 greys. Empty for other formats.
std::vector<Colour> defaultPalette(PixelFormat format);

}  // namespace gorsefinch
