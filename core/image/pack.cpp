// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/pack.h"

#include <algorithm>
#include <array>

namespace gorsefinch {

uint32_t levelOf(uint32_t value8, int bits) {
    const uint32_t top = (1u << bits) - 1u;
    return (value8 * top * 2 + 255) / 510;
}

uint32_t valueOf(uint32_t level, int bits) {
    const uint32_t top = (1u << bits) - 1u;
    return (level * 510 + top) / (2 * top);
}

uint32_t greyOf(uint32_t argb) {
    return ((argb >> 16 & 255) * 77 + (argb >> 8 & 255) * 150 + (argb & 255) * 29 + 128) >> 8;
}

namespace {

// Bits of each channel of a format; a grey for one-bit formats.
struct Depths {
    int red, green, blue;
};

Depths depthsOf(PixelFormat format) {
    if (format == PixelFormat::Rgb565 || format == PixelFormat::Rgb565Be)
        return {5, 6, 5};
    return {8, 8, 8};
}

bool isOneBit(PixelFormat format) { return format == PixelFormat::Page1; }

uint32_t nearest(uint32_t argb, PixelFormat format) {
    if (isOneBit(format))
        return (argb & 0xff000000u) | (greyOf(argb) >= 128 ? 0xffffffu : 0u);
    const Depths d = depthsOf(format);
    const auto channel = [&](int shift, int bits) {
        return valueOf(levelOf(argb >> shift & 255, bits), bits) << shift;
    };
    return (argb & 0xff000000u) | channel(16, d.red) | channel(8, d.green) | channel(0, d.blue);
}

using Triple = std::array<int, 3>;

// Floyd and Steinberg 1976: 7, 3, 5, 1 sixteenths to the right, below left, below, below right. Rows run to and fro
// so that errors don't lean to one side.
class ErrorRows {
  public:
    explicit ErrorRows(int width) : rows_{line(width), line(width)} {}

    Triple& here(int x) { return rows_[0][static_cast<size_t>(x + 1)]; }
    void spread(int x, int step, const Triple& error) {
        for (size_t c = 0; c < 3; ++c) {
            rows_[0][static_cast<size_t>(x + 1 + step)][c] += error[c] * 7;
            rows_[1][static_cast<size_t>(x + 1 - step)][c] += error[c] * 3;
            rows_[1][static_cast<size_t>(x + 1)][c] += error[c] * 5;
            rows_[1][static_cast<size_t>(x + 1 + step)][c] += error[c];
        }
    }
    void nextRow() {
        std::swap(rows_[0], rows_[1]);
        std::fill(rows_[1].begin(), rows_[1].end(), Triple{});
    }

  private:
    static std::vector<Triple> line(int width) { return std::vector<Triple>(static_cast<size_t>(width) + 2); }
    std::array<std::vector<Triple>, 2> rows_;
};

int rounded16(int v) { return v >= 0 ? (v + 8) / 16 : -((-v + 8) / 16); }

void diffuse(Picture& picture, PixelFormat format) {
    ErrorRows errors(picture.width);
    for (int y = 0; y < picture.height; ++y) {
        const int step = y % 2 == 0 ? 1 : -1;
        for (int i = 0; i < picture.width; ++i) {
            const int x = step > 0 ? i : picture.width - 1 - i;
            uint32_t& pixel = picture.at(x, y);
            const uint32_t source = isOneBit(format) ? greyOf(pixel) * 0x010101u : pixel;
            uint32_t wanted = pixel & 0xff000000u;
            Triple sum;
            for (size_t c = 0; c < 3; ++c) {
                sum[c] = static_cast<int>(source >> (16 - 8 * c) & 255) + rounded16(errors.here(x)[c]);
                wanted |= static_cast<uint32_t>(std::clamp(sum[c], 0, 255)) << (16 - 8 * c);
            }
            pixel = nearest(wanted, format);
            Triple error;
            for (size_t c = 0; c < 3; ++c)
                error[c] = std::clamp(sum[c], -255, 510) - static_cast<int>(pixel >> (16 - 8 * c) & 255);
            errors.spread(x, step, error);
        }
        errors.nextRow();
    }
}

void packPages(const Picture& p, std::vector<uint8_t>& out) {
    for (int y = 0; y < p.height; ++y)
        for (int x = 0; x < p.width; ++x)
            if (greyOf(p.at(x, y)) >= 128)
                out[static_cast<size_t>(y / 8) * static_cast<size_t>(p.width) + static_cast<size_t>(x)] |=
                    static_cast<uint8_t>(1u << (y % 8));
}

void packMask(const Picture& p, int bits, std::vector<uint8_t>& out) {
    const size_t rowBytes = (static_cast<size_t>(p.width) * static_cast<size_t>(bits) + 7) / 8;
    for (int y = 0; y < p.height; ++y)
        for (int x = 0; x < p.width; ++x) {
            const size_t bit = static_cast<size_t>(x) * static_cast<size_t>(bits);
            const uint32_t level = levelOf(p.at(x, y) >> 24, bits);
            out[static_cast<size_t>(y) * rowBytes + bit / 8] |=
                static_cast<uint8_t>(level << (8 - static_cast<size_t>(bits) - bit % 8));
        }
}

uint16_t word565(uint32_t argb) {
    return static_cast<uint16_t>(levelOf(argb >> 16 & 255, 5) << 11 | levelOf(argb >> 8 & 255, 6) << 5 |
                                 levelOf(argb & 255, 5));
}

void packPixels(const Picture& p, PixelFormat format, std::vector<uint8_t>& out) {
    uint8_t* to = out.data();
    for (const uint32_t pixel : p.pixels) {
        if (format == PixelFormat::Rgb888) {
            *to++ = static_cast<uint8_t>(pixel >> 16);
            *to++ = static_cast<uint8_t>(pixel >> 8);
            *to++ = static_cast<uint8_t>(pixel);
            continue;
        }
        const uint16_t word = word565(pixel);
        const bool highFirst = format == PixelFormat::Rgb565Be;
        *to++ = static_cast<uint8_t>(highFirst ? word >> 8 : word);
        *to++ = static_cast<uint8_t>(highFirst ? word : word >> 8);
    }
}

uint32_t unpackOne(const std::vector<uint8_t>& bytes, PixelFormat format, int width, int x, int y) {
    const auto at = static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x);
    const int bits = info(format).bits;
    if (format == PixelFormat::Page1) {
        const size_t byte = static_cast<size_t>(y / 8) * static_cast<size_t>(width) + static_cast<size_t>(x);
        return (bytes[byte] >> (y % 8) & 1) != 0 ? 0xffffffffu : 0xff000000u;
    }
    if (format == PixelFormat::Rgb888)
        return 0xff000000u | static_cast<uint32_t>(bytes[at * 3]) << 16 |
               static_cast<uint32_t>(bytes[at * 3 + 1]) << 8 | bytes[at * 3 + 2];
    if (info(format).mask) {
        const size_t rowBytes = (static_cast<size_t>(width) * static_cast<size_t>(bits) + 7) / 8;
        const size_t bit = static_cast<size_t>(x) * static_cast<size_t>(bits);
        const uint32_t byte = bytes[static_cast<size_t>(y) * rowBytes + bit / 8];
        const uint32_t level = byte >> (8 - static_cast<size_t>(bits) - bit % 8) & ((1u << bits) - 1u);
        return valueOf(level, bits) << 24 | 0xffffffu;
    }
    const bool highFirst = format == PixelFormat::Rgb565Be;
    const uint32_t word = highFirst ? static_cast<uint32_t>(bytes[at * 2]) << 8 | bytes[at * 2 + 1]
                                    : static_cast<uint32_t>(bytes[at * 2 + 1]) << 8 | bytes[at * 2];
    return 0xff000000u | valueOf(word >> 11, 5) << 16 | valueOf(word >> 5 & 63, 6) << 8 | valueOf(word & 31, 5);
}

}  // namespace

Picture reduced(const Picture& picture, PixelFormat format, Reduction how) {
    Picture out = picture;
    if (info(format).mask) {
        const int bits = info(format).bits;
        for (uint32_t& pixel : out.pixels)
            pixel = valueOf(levelOf(pixel >> 24, bits), bits) << 24 | (pixel & 0xffffffu);
        return out;
    }
    if (how == Reduction::FloydSteinberg)
        diffuse(out, format);
    else
        for (uint32_t& pixel : out.pixels)
            pixel = nearest(pixel, format);
    return out;
}

std::vector<uint8_t> packed(const Picture& picture, PixelFormat format) {
    std::vector<uint8_t> out(static_cast<size_t>(packedBytes(format, picture.width, picture.height)));
    if (format == PixelFormat::Page1)
        packPages(picture, out);
    else if (info(format).mask)
        packMask(picture, info(format).bits, out);
    else
        packPixels(picture, format, out);
    return out;
}

Picture unpacked(const std::vector<uint8_t>& bytes, PixelFormat format, int width, int height) {
    if (static_cast<long>(bytes.size()) != packedBytes(format, width, height))
        return {};
    Picture out = makePicture(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            out.at(x, y) = unpackOne(bytes, format, width, x, y);
    return out;
}

}  // namespace gorsefinch
