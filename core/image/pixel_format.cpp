// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/pixel_format.h"

#include <array>

namespace gorsefinch {

namespace {

const std::array<PixelFormatInfo, 8> table{{
    {PixelFormat::Page1, "page1", "1 bit, upright bytes, lowest bit on top, pages of 8 rows", 1, false,
     &gorse_format_page1, "gorse_format_page1", "gorse_format_page1.c", &gorse_image_page1, "gorse_image_page1",
     "gorse_image_page1.c"},
    {PixelFormat::Rgb565, "rgb565", "16 bits, red on top, low byte first", 16, false, &gorse_format_rgb565,
     "gorse_format_rgb565", "gorse_format_rgb565.c", &gorse_image_rgb565, "gorse_image_rgb565",
     "gorse_image_rgb565.c"},
    {PixelFormat::Rgb565Be, "rgb565-be", "16 bits, red on top, high byte first", 16, false, &gorse_format_rgb565_be,
     "gorse_format_rgb565_be", "gorse_format_rgb565_be.c", &gorse_image_rgb565, "gorse_image_rgb565",
     "gorse_image_rgb565.c"},
    {PixelFormat::Rgb888, "rgb888", "24 bits: the bytes red, green, blue", 24, false, &gorse_format_rgb888,
     "gorse_format_rgb888", "gorse_format_rgb888.c", &gorse_image_rgb888, "gorse_image_rgb888",
     "gorse_image_rgb888.c"},
    {PixelFormat::A1, "a1", "alpha mask of 1 bit", 1, true, nullptr, "", "", nullptr, "", ""},
    {PixelFormat::A2, "a2", "alpha mask of 2 bits", 2, true, nullptr, "", "", nullptr, "", ""},
    {PixelFormat::A4, "a4", "alpha mask of 4 bits", 4, true, nullptr, "", "", nullptr, "", ""},
    {PixelFormat::A8, "a8", "alpha mask of 8 bits", 8, true, nullptr, "", "", nullptr, "", ""},
}};

}  // namespace

std::span<const PixelFormatInfo> pixelFormats() { return table; }

const PixelFormatInfo& info(PixelFormat format) { return table[static_cast<size_t>(format)]; }

const PixelFormatInfo* pixelFormatByKey(std::string_view key) {
    for (const PixelFormatInfo& each : table)
        if (key == each.key)
            return &each;
    return nullptr;
}

long packedBytes(PixelFormat format, int w, int h) {
    if (format == PixelFormat::Page1)
        return static_cast<long>(w) * ((h + 7) / 8);
    return (static_cast<long>(w) * info(format).bits + 7) / 8 * h;
}

}  // namespace gorsefinch
