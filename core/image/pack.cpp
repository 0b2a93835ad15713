// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/pack.h"

#include <algorithm>
#include <array>
#include <bit>
#include <cassert>
#include <cstring>
#include <functional>
#include <optional>

#include "core/base/parallel.h"
#include "core/image/nearest_colour.h"
#include "core/image/wide_loops.h"

namespace gorsefinch {

namespace {

size_t index(int x, int y, int width) {
    return static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x);
}

// The number that a pixel has in a format of at most 8 bits: a function of its colour or alpha.
using Numbers = std::function<uint32_t(uint32_t)>;

Numbers numbersOf(const PixelFormatInfo& format, const NearestColour* palette) {
    const int bits = format.bits;
    if (format.isMask())
        return [bits](uint32_t argb) { return levelOf(argb >> 24, bits); };
    if (palette)
        return [palette](uint32_t argb) { return palette->of(argb); };
    if (format.meaning == PixelMeaning::Grey)
        return [bits](uint32_t argb) { return levelOf(greyOf(argb), bits); };
    return [](uint32_t argb) {
        return levelOf(argb >> 16 & 255, 3) << 5 | levelOf(argb >> 8 & 255, 3) << 2 | levelOf(argb & 255, 2);
    };
}

// Rows of pixels side by side: `number(i)` is that of pixel i of the row.
template <typename Number>
void packRow(uint8_t* out, size_t width, size_t bits, bool lowFirst, Number number) {
    const size_t each = 8 / bits;
    for (size_t x = 0; x < width; x += each, ++out) {
        uint32_t byte = 0;
        const size_t inByte = std::min(each, width - x);
        for (size_t i = 0; i < inByte; ++i)
            byte |= number(x + i) << (lowFirst ? i * bits : 8 - bits - i * bits);
        *out = static_cast<uint8_t>(byte);
    }
}

// Eight numbers of one bit at a time: the product moves byte i of a word to bit 7 - i of the highest byte.
void packOneBitRows(std::span<uint8_t> out, std::span<const uint8_t> numbers, size_t width, size_t height) {
    const size_t rowBytes = (width + 7) / 8;
    for (size_t y = 0; y < height; ++y) {
        const uint8_t* row = numbers.data() + y * width;
        uint8_t* to = out.data() + y * rowBytes;
        size_t x = 0;
        for (; x + 8 <= width; x += 8) {
            uint64_t eight = 0;
            for (size_t i = 0; i < 8; ++i)
                eight |= uint64_t{row[x + i]} << (8 * i);
            *to++ = static_cast<uint8_t>(eight * 0x8040201008040201u >> 56);
        }
        if (x < width)
            packRow(to, width - x, 1, false, [&](size_t i) { return static_cast<uint32_t>(row[x + i]); });
    }
}

// `number(i)` is that of the picture's pixel i.
template <typename Number>
void packSmall(std::span<uint8_t> out, const PixelFormatInfo& format, int width, int height, Number number) {
    const size_t w = static_cast<size_t>(width), h = static_cast<size_t>(height);
    if (format.layout == PixelLayout::Pages) {
        for (size_t page = 0; page * 8 < h; ++page)
            for (size_t x = 0; x < w; ++x) {
                uint32_t byte = 0;
                for (size_t row = 0; row < std::min<size_t>(8, h - page * 8); ++row)
                    byte |= number((page * 8 + row) * w + x) << row;
                out[page * w + x] = static_cast<uint8_t>(byte);
            }
        return;
    }
    const size_t rowBytes = static_cast<size_t>(packedRowBytes(format.format, width));
    for (size_t y = 0; y < h; ++y)
        packRow(out.data() + y * rowBytes, w, static_cast<size_t>(format.bits),
                format.layout == PixelLayout::RowsLowFirst, [&](size_t x) { return number(y * w + x); });
}

// Where pixel x, y of a packed picture is: its byte, and the shift of its lowest bit.
struct Place {
    size_t byte;
    int shift;
};

Place placeOf(const PixelFormatInfo& format, int x, int y, int width) {
    if (format.layout == PixelLayout::Pages)
        return {index(x, y / 8, width), y % 8};
    const size_t row = static_cast<size_t>(y) * static_cast<size_t>(packedRowBytes(format.format, width));
    const size_t bit = static_cast<size_t>(x) * static_cast<size_t>(format.bits);
    const int inByte = static_cast<int>(bit % 8);
    return {row + bit / 8, format.layout == PixelLayout::RowsLowFirst ? inByte : 8 - format.bits - inByte};
}

// Eight pixels and eight words at a time. Red and blue have 16 bits each, side by side, so that one multiplication
// of 16 bits brings both to their nearest level; those of 32 bits are slow on many processors.
using Pixels8 = uint32_t __attribute__((vector_size(32)));
using Halves16 = uint16_t __attribute__((vector_size(32)));
using Words8 = uint16_t __attribute__((vector_size(16)));

void packWords(uint8_t* out, const uint32_t* pixels, size_t count, bool highFirst) {
    const bool swaps = highFirst != (std::endian::native == std::endian::big);
    size_t i = 0;
    for (; i + 8 <= count; i += 8) {
        Pixels8 p;
        std::memcpy(&p, pixels + i, sizeof p);
        const auto redBlue = reinterpret_cast<Pixels8>((reinterpret_cast<Halves16>(p & 0x00ff00ff) * 249 + 1014) >> 11);
        const auto green = reinterpret_cast<Pixels8>((reinterpret_cast<Halves16>(p >> 8 & 0xff) * 253 + 505) >> 10);
        auto words = __builtin_convertvector((redBlue >> 5 & 0xf800) | green << 5 | (redBlue & 31), Words8);
        if (swaps)
            words = words << 8 | words >> 8;
        std::memcpy(out + 2 * i, &words, sizeof words);
    }
    for (; i < count; ++i) {
        const uint16_t word = word565(pixels[i]);
        out[2 * i] = static_cast<uint8_t>(highFirst ? word >> 8 : word);
        out[2 * i + 1] = static_cast<uint8_t>(highFirst ? word : word >> 8);
    }
}

void packTriples(uint8_t* out, const uint32_t* pixels, size_t count) {
    for (size_t i = 0; i < count; ++i, out += 3) {
        out[0] = static_cast<uint8_t>(pixels[i] >> 16);
        out[1] = static_cast<uint8_t>(pixels[i] >> 8);
        out[2] = static_cast<uint8_t>(pixels[i]);
    }
}

void packQuadruples(uint8_t* out, const uint32_t* pixels, size_t count) {
    for (size_t i = 0; i < count; ++i, out += 4)
        for (size_t byte = 0; byte < 4; ++byte)
            out[byte] = static_cast<uint8_t>(pixels[i] >> (8 * byte));
}

void packWide(std::span<uint8_t> out, const Picture& p, const PixelFormatInfo& format) {
    const size_t bytes = static_cast<size_t>(format.bits) / 8;
    inParallel(p.height, p.pixels.size(), [&](int first, int last) {
        const size_t from = index(0, first, p.width), count = index(0, last, p.width) - from;
        uint8_t* to = out.data() + from * bytes;
        const uint32_t* pixels = p.pixels.data() + from;
        if (bytes == 2)
            packWords(to, pixels, count, format.format == PixelFormat::Rgb565Be);
        else if (bytes == 3)
            packTriples(to, pixels, count);
        else
            packQuadruples(to, pixels, count);
    });
}

// valueOf() without a division, which the static_assert below checks.
constexpr uint32_t valueOf5(uint32_t level) { return (level * 527 + 23) >> 6; }
constexpr uint32_t valueOf6(uint32_t level) { return (level * 259 + 33) >> 6; }
static_assert([] {
    for (uint32_t level = 0; level < 64; ++level)
        if ((level < 32 && valueOf5(level) != valueOf(level, 5)) || valueOf6(level) != valueOf(level, 6))
            return false;
    return true;
}());

constexpr uint32_t colourOfWord(uint32_t word) {
    return 0xff000000u | valueOf5(word >> 11) << 16 | valueOf6(word >> 5 & 63) << 8 | valueOf5(word & 31);
}

// `low`: which byte of a word is the low one. Blocks of a fixed length become loops for wide registers.
GORSEFINCH_WIDE_LOOPS void unpackWords(const uint8_t* from, uint32_t* to, size_t count, size_t low) {
    constexpr size_t block = 64;
    uint16_t words[block];
    size_t at = 0;
    for (; at + block <= count; at += block) {
        std::memcpy(words, from + at * 2, sizeof words);
        if ((low == 0) != (std::endian::native == std::endian::little))
            for (size_t i = 0; i < block; ++i)
                words[i] = static_cast<uint16_t>(words[i] << 8 | words[i] >> 8);
        for (size_t i = 0; i < block; ++i)
            to[at + i] = colourOfWord(words[i]);
    }
    for (; at < count; ++at)
        to[at] = colourOfWord(static_cast<uint32_t>(from[at * 2 + 1 - low]) << 8 | from[at * 2 + low]);
}

uint32_t colourOfNumber(uint32_t number, const PixelFormatInfo& format, std::span<const Colour> palette) {
    if (format.isMask())
        return valueOf(number, format.bits) << 24 | 0xffffffu;
    if (format.hasPalette())
        return number < palette.size() ? palette[number].argb | 0xff000000u : 0xff000000u;
    if (format.meaning == PixelMeaning::Grey)
        return 0xff000000u | valueOf(number, format.bits) * 0x010101u;
    return 0xff000000u | valueOf(number >> 5, 3) << 16 | valueOf(number >> 2 & 7, 3) << 8 | valueOf(number & 3, 2);
}

void unpackWide(std::span<const uint8_t> bytes, PixelFormat format, std::span<uint32_t> pixels) {
    const uint8_t* at = bytes.data();
    switch (format) {
        case PixelFormat::Rgb565: return unpackWords(at, pixels.data(), pixels.size(), 0);
        case PixelFormat::Rgb565Be: return unpackWords(at, pixels.data(), pixels.size(), 1);
        case PixelFormat::Rgb888:
            for (uint32_t& pixel : pixels) {
                pixel = 0xff000000u | static_cast<uint32_t>(at[0]) << 16 | static_cast<uint32_t>(at[1]) << 8 | at[2];
                at += 3;
            }
            return;
        default:
            for (uint32_t& pixel : pixels) {
                pixel = static_cast<uint32_t>(at[3]) << 24 | static_cast<uint32_t>(at[2]) << 16 |
                        static_cast<uint32_t>(at[1]) << 8 | at[0];
                at += 4;
            }
    }
}

std::vector<Colour> orDefault(std::span<const Colour> palette, PixelFormat format) {
    return palette.empty() ? defaultPalette(format) : std::vector<Colour>(palette.begin(), palette.end());
}

}  // namespace

void packInto(std::span<uint8_t> room, const Picture& picture, PixelFormat format, std::span<const Colour> palette) {
    const PixelFormatInfo& f = info(format);
    assert(static_cast<long>(room.size()) >= packedBytes(format, picture.width, picture.height));
    if (f.bits > 8) {
        packWide(room, picture, f);
        return;
    }
    std::optional<NearestColour> nearest;
    if (f.hasPalette())
        nearest.emplace(orDefault(palette, format));
    const Numbers number = numbersOf(f, nearest ? &*nearest : nullptr);
    packSmall(room, f, picture.width, picture.height, [&](size_t i) { return number(picture.pixels[i]); });
}

std::vector<uint8_t> packed(const Picture& picture, PixelFormat format, std::span<const Colour> palette) {
    std::vector<uint8_t> out(static_cast<size_t>(packedBytes(format, picture.width, picture.height)));
    packInto(out, picture, format, palette);
    return out;
}

std::vector<uint8_t> packedNumbers(std::span<const uint8_t> numbers, PixelFormat format, int width, int height) {
    assert(numbers.size() == static_cast<size_t>(width) * static_cast<size_t>(height));
    std::vector<uint8_t> out(static_cast<size_t>(packedBytes(format, width, height)));
    const PixelFormatInfo& f = info(format);
    if (f.isOneBit() && f.layout == PixelLayout::Rows)
        packOneBitRows(out, numbers, static_cast<size_t>(width), static_cast<size_t>(height));
    else
        packSmall(out, f, width, height, [&](size_t i) { return static_cast<uint32_t>(numbers[i]); });
    return out;
}

std::array<uint32_t, 256> coloursOfNumbers(PixelFormat format, std::span<const Colour> palette) {
    std::array<uint32_t, 256> colours{};
    const PixelFormatInfo& f = info(format);
    const std::vector<Colour> known = f.hasPalette() ? orDefault(palette, format) : std::vector<Colour>();
    for (uint32_t i = 0; i < 1u << f.bits; ++i)
        colours[i] = colourOfNumber(i, f, known);
    return colours;
}

Picture unpacked(std::span<const uint8_t> bytes, PixelFormat format, int width, int height,
                 std::span<const Colour> palette) {
    if (static_cast<long>(bytes.size()) != packedBytes(format, width, height))
        return {};
    const PixelFormatInfo& f = info(format);
    Picture out = makePicture(width, height);
    if (f.bits > 8) {
        unpackWide(bytes, format, out.pixels);
        return out;
    }
    const uint32_t top = (1u << f.bits) - 1u;
    const std::array<uint32_t, 256> colours = coloursOfNumbers(format, palette);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const Place at = placeOf(f, x, y, width);
            out.at(x, y) = colours[bytes[at.byte] >> at.shift & top];
        }
    return out;
}

std::vector<uint8_t> rowForm(Colour colour, PixelFormat format, std::span<const Colour> panelPalette) {
    const PixelFormatInfo& f = info(format);
    const Picture one = makePicture(1, 1, colour.argb | 0xff000000u);
    if (f.bits > 8)
        return packed(one, format);
    std::optional<NearestColour> nearest;
    if (f.hasPalette())
        nearest.emplace(orDefault(panelPalette, format));
    return {static_cast<uint8_t>(numbersOf(f, nearest ? &*nearest : nullptr)(one.pixels[0]))};
}

}  // namespace gorsefinch
