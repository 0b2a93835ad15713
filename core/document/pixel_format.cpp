// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/pixel_format.h"

#include <array>

namespace gorsefinch {

namespace {

#define PANEL(name) \
    &gorse_format_##name, { "gorse_format_" #name, "gorse_format_" #name ".c" }
#define IMAGE(name) \
    &gorse_image_##name, { "gorse_image_" #name, "gorse_image_" #name ".c" }
#define CONVERT(name) \
    gorse_convert_##name, { "gorse_convert_" #name, "gorse_image_" #name ".c" }
#define BY_PALETTE \
    nullptr, { "gorse_convert_palette", "gorse_image_palette.c" }
#define MASK \
    nullptr, {}, nullptr, {}, nullptr, {}

using F = PixelFormat;
using L = PixelLayout;
using M = PixelMeaning;

const std::array<PixelFormatInfo, 19> formatTable{{
    {F::Page1, "page1", "1 bit, upright bytes, lowest bit on top, pages of 8 rows", 1, L::Pages, M::Grey, 1, 1, 1, 1,
     PANEL(page1), IMAGE(page1), BY_PALETTE},
    {F::Row1, "row1", "1 bit, eight pixels a byte, leftmost in the highest bit", 1, L::Rows, M::Grey, 1, 1, 1, 1,
     PANEL(row1), IMAGE(row1), BY_PALETTE},
    {F::Row1Lsb, "row1-lsb", "1 bit, eight pixels a byte, leftmost in the lowest bit", 1, L::RowsLowFirst, M::Grey, 1,
     1, 1, 1, PANEL(row1_lsb), IMAGE(row1_lsb), BY_PALETTE},
    {F::Grey2, "grey2", "4 greys, four pixels a byte", 2, L::Rows, M::Grey, 2, 2, 2, 2, PANEL(grey2), IMAGE(bits2),
     BY_PALETTE},
    {F::Grey4, "grey4", "16 greys, two pixels a byte", 4, L::Rows, M::Grey, 4, 4, 4, 4, PANEL(grey4), IMAGE(bits4),
     BY_PALETTE},
    {F::Grey8, "grey8", "256 greys, a byte a pixel", 8, L::WholeBytes, M::Grey, 8, 8, 8, 4, PANEL(grey8), IMAGE(bits8),
     CONVERT(grey8)},
    {F::Index1, "index1", "2 colours of a palette, eight pixels a byte", 1, L::Rows, M::Palette, 8, 8, 8, 1,
     PANEL(index1), IMAGE(row1), BY_PALETTE},
    {F::Index2, "index2", "4 colours of a palette, four pixels a byte", 2, L::Rows, M::Palette, 8, 8, 8, 1,
     PANEL(index2), IMAGE(bits2), BY_PALETTE},
    {F::Index4, "index4", "16 colours of a palette, two pixels a byte", 4, L::Rows, M::Palette, 8, 8, 8, 1,
     PANEL(index4), IMAGE(bits4), BY_PALETTE},
    {F::Index8, "index8", "256 colours of a palette, a byte a pixel", 8, L::WholeBytes, M::Palette, 8, 8, 8, 4,
     PANEL(index8), IMAGE(bits8), BY_PALETTE},
    {F::Rgb332, "rgb332", "8 bits: three of red on top, three of green, two of blue", 8, L::WholeBytes, M::Colour, 3, 3,
     2, 4, PANEL(rgb332), IMAGE(bits8), CONVERT(rgb332)},
    {F::Rgb565, "rgb565", "16 bits, red on top, low byte first", 16, L::WholeBytes, M::Colour, 5, 6, 5, 4,
     PANEL(rgb565), IMAGE(bits16), CONVERT(rgb565)},
    {F::Rgb565Be, "rgb565-be", "16 bits, red on top, high byte first", 16, L::WholeBytes, M::Colour, 5, 6, 5, 4,
     PANEL(rgb565_be), IMAGE(bits16), CONVERT(rgb565_be)},
    {F::Rgb888, "rgb888", "24 bits: the bytes red, green, blue", 24, L::WholeBytes, M::Colour, 8, 8, 8, 4,
     PANEL(rgb888), IMAGE(bits24), CONVERT(rgb888)},
    {F::Argb8888, "argb8888", "32 bits, alpha on top, low byte first", 32, L::WholeBytes, M::Colour, 8, 8, 8, 4,
     PANEL(argb8888), IMAGE(bits32), CONVERT(argb8888)},
    {F::A1, "a1", "alpha mask of 1 bit", 1, L::Rows, M::Alpha, 0, 0, 0, 0, MASK},
    {F::A2, "a2", "alpha mask of 2 bits", 2, L::Rows, M::Alpha, 0, 0, 0, 0, MASK},
    {F::A4, "a4", "alpha mask of 4 bits", 4, L::Rows, M::Alpha, 0, 0, 0, 0, MASK},
    {F::A8, "a8", "alpha mask of 8 bits", 8, L::WholeBytes, M::Alpha, 0, 0, 0, 0, MASK},
}};

}  // namespace

std::span<const PixelFormatInfo> pixelFormats() { return formatTable; }

const PixelFormatInfo& info(PixelFormat format) { return formatTable[static_cast<size_t>(format)]; }

PixelFormat maskOfBits(int bits) { return bits == 1 ? F::A1 : bits == 2 ? F::A2 : bits == 4 ? F::A4 : F::A8; }

const PixelFormatInfo* pixelFormatByKey(std::string_view key) {
    for (const PixelFormatInfo& each : formatTable)
        if (key == each.key)
            return &each;
    return nullptr;
}

TurnFunction turnOf(PixelFormat format) {
    switch (info(format).layout) {
        case PixelLayout::Pages: return {gorse_turn_pages, {"gorse_turn_pages", "gorse_turn_pages.c"}};
        case PixelLayout::WholeBytes: return {gorse_turn_pixels, {"gorse_turn_pixels", "gorse_turn_pixels.c"}};
        default: return {gorse_turn_bits, {"gorse_turn_bits", "gorse_turn_bits.c"}};
    }
}

long packedRowBytes(PixelFormat format, int w) {
    const PixelFormatInfo& f = info(format);
    return f.layout == PixelLayout::Pages ? w : (static_cast<long>(w) * f.bits + 7) / 8;
}

long packedBytes(PixelFormat format, int w, int h) {
    const bool pages = info(format).layout == PixelLayout::Pages;
    return packedRowBytes(format, w) * (pages ? (h + 7) / 8 : h);
}

std::vector<Colour> defaultPalette(PixelFormat format) {
    std::vector<Colour> out;
    switch (format) {
        case PixelFormat::Index1: return {opaque(0x000000), opaque(0xffffff)};
        case PixelFormat::Index2: return {opaque(0x000000), opaque(0x555555), opaque(0xaaaaaa), opaque(0xffffff)};
        case PixelFormat::Index4:
            for (const uint32_t rgb : {0x000000, 0x800000, 0x008000, 0x808000, 0x000080, 0x800080, 0x008080, 0xc0c0c0,
                                       0x808080, 0xff0000, 0x00ff00, 0xffff00, 0x0000ff, 0xff00ff, 0x00ffff, 0xffffff})
                out.push_back(opaque(rgb));
            return out;
        case PixelFormat::Index8:
            for (uint32_t i = 0; i < 216; ++i)
                out.push_back(opaque((i / 36 * 51) << 16 | (i / 6 % 6 * 51) << 8 | i % 6 * 51));
            for (uint32_t i = 1; i <= 40; ++i)
                out.push_back(opaque((i * 255 / 41) * 0x010101u));
            return out;
        default: return out;
    }
}

}  // namespace gorsefinch
