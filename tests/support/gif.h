// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <string>
#include <vector>

// Writes GIF89a by hand, so that tests decide about disposal, offsets, transparency and times.
namespace support {

struct GifFrame {
    int x = 0, y = 0, width = 1, height = 1;
    std::vector<uint8_t> indices;  // width x height
    int hundredths = 10;
    int disposal = 0;      // 0 or 1: stays, 2: back to the background, 3: back to what was before
    int transparent = -1;  // index, or none
};

class GifWriter {
  public:
    // Up to 128 colours as 0xRRGGBB.
    GifWriter(int width, int height, std::vector<uint32_t> palette) {
        out_ = "GIF89a";
        word(width);
        word(height);
        palette.resize(128);
        out_ += static_cast<char>(0x80 | 0x70 | 6);
        byte(0);
        byte(0);
        for (const uint32_t rgb : palette)
            for (const int shift : {16, 8, 0})
                byte(static_cast<int>(rgb >> shift & 255));
        out_ += std::string("\x21\xff\x0bNETSCAPE2.0\x03\x01", 16);
        word(0);
        byte(0);
    }

    void add(const GifFrame& frame) {
        out_ += "\x21\xf9\x04";
        byte(frame.disposal << 2 | (frame.transparent >= 0 ? 1 : 0));
        word(frame.hundredths);
        byte(frame.transparent >= 0 ? frame.transparent : 0);
        byte(0);
        byte(0x2c);
        for (const int each : {frame.x, frame.y, frame.width, frame.height})
            word(each);
        byte(0);
        pixels(frame.indices);
    }

    std::string finish() const { return out_ + ";"; }

  private:
    void byte(int value) { out_ += static_cast<char>(value); }
    void word(int value) {
        byte(value & 255);
        byte(value >> 8);
    }

    // Codes of 8 bits that never build up: a clear code before each 100 pixels keeps the decoder's table short.
    void pixels(const std::vector<uint8_t>& indices) {
        byte(7);
        std::string codes;
        for (size_t i = 0; i < indices.size(); ++i) {
            if (i % 100 == 0)
                codes += static_cast<char>(128);
            codes += static_cast<char>(indices[i]);
        }
        codes += static_cast<char>(129);
        for (size_t at = 0; at < codes.size(); at += 255) {
            const std::string block = codes.substr(at, 255);
            byte(static_cast<int>(block.size()));
            out_ += block;
        }
        byte(0);
    }

    std::string out_;
};

}  // namespace support
