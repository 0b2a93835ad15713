// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string_view>

#include "runtime/gorse_scene.h"

namespace gorsefinch {

enum class PixelFormat { Page1, Rgb565, Rgb565Be, Rgb888, A1, A2, A4, A8 };

// All that anything needs to know of a pixel format. One table; see pixelFormats().
struct PixelFormatInfo {
    PixelFormat format;
    const char* key;            // in files and on the command line
    const char* help;
    int bits;                   // a pixel
    bool mask;                  // an alpha mask: no colours, never a panel's
    const gorse_format* panel;  // how a panel of this format is drawn; null for masks
    const char* panelSymbol;
    const char* panelSource;    // the runtime's file
    const gorse_image_format* image;  // how an image of this format is read; null for masks
    const char* imageSymbol;
    const char* imageSource;
};

std::span<const PixelFormatInfo> pixelFormats();
const PixelFormatInfo& info(PixelFormat format);
// Null for an unknown key.
const PixelFormatInfo* pixelFormatByKey(std::string_view key);

// Bytes of w x h packed pixels (DESIGN 6: rows padded to whole bytes, page1 in pages of 8 rows).
long packedBytes(PixelFormat format, int w, int h);

}  // namespace gorsefinch
