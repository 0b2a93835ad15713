// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/completeness.h"

#include <algorithm>
#include <cctype>
#include <cstdint>
#include <cstdlib>

namespace gorsefinch {

namespace {

// A number of `count` bytes, low byte first; 0 beyond the end.
uint64_t number(std::string_view bytes, size_t at, size_t count) {
    uint64_t value = 0;
    for (size_t i = 0; i < count && at + i < bytes.size(); ++i)
        value |= static_cast<uint64_t>(static_cast<uint8_t>(bytes[at + i])) << (8 * i);
    return value;
}

// Plain BMP pixels lie from the offset at 10 on, rows padded to 4 bytes.
bool bmpIsCutOff(std::string_view bytes) {
    if (bytes.size() < 54)
        return true;
    const uint64_t compression = number(bytes, 30, 4);
    if (compression != 0 && compression != 3)
        return number(bytes, 2, 4) > bytes.size();
    const uint64_t width = number(bytes, 18, 4);
    const auto height = static_cast<int32_t>(number(bytes, 22, 4));
    const uint64_t rows = height < 0 ? 0u - static_cast<uint32_t>(height) : static_cast<uint32_t>(height);
    const uint64_t rowBytes = (width * number(bytes, 28, 2) + 31) / 32 * 4;
    return rowBytes * rows > bytes.size() || number(bytes, 10, 4) + rowBytes * rows > bytes.size();
}

// Steps over sub-blocks, each with its length in front; the end is a length of 0.
bool skipBlocks(std::string_view bytes, size_t& at) {
    while (at < bytes.size()) {
        const size_t length = static_cast<uint8_t>(bytes[at]);
        at += length + 1;
        if (length == 0)
            return true;
    }
    return false;
}

// Each chunk has its length, a name of 4 bytes and a check sum around its content; IEND is the last.
bool pngIsCutOff(std::string_view bytes) {
    for (size_t at = 8; at + 12 <= bytes.size();) {
        size_t length = 0;
        for (size_t i = 0; i < 4; ++i)
            length = length << 8 | static_cast<uint8_t>(bytes[at + i]);
        if (length > bytes.size() - at - 12)
            return true;
        if (bytes.substr(at + 4, 4) == "IEND")
            return false;
        at += length + 12;
    }
    return true;
}

size_t colourTable(std::string_view bytes, size_t flagsAt) {
    const auto flags = static_cast<unsigned>(number(bytes, flagsAt, 1));
    return (flags & 0x80) != 0 ? size_t{3} << ((flags & 7) + 1) : 0;
}

// Follows the blocks of GIF89a to the trailer, which some writers leave out; at least one frame must be whole.
bool gifIsCutOff(std::string_view bytes) {
    size_t at = 13 + colourTable(bytes, 10);
    bool whole = false;
    while (at < bytes.size()) {
        const auto what = static_cast<uint8_t>(bytes[at]);
        if (what == 0x3b)
            return !whole;
        if (what == 0x21) {
            at += 2;
            if (!skipBlocks(bytes, at))
                return true;
        } else if (what == 0x2c) {
            at += 10 + colourTable(bytes, at + 9) + 1;
            if (!skipBlocks(bytes, at))
                return true;
            whole = true;
        } else {
            return !whole;
        }
    }
    return !whole || at > bytes.size();
}

// The next number of a header in words, behind blanks and comments.
std::optional<uint64_t> wordOf(std::string_view bytes, size_t& at) {
    while (at < bytes.size() && (std::isspace(static_cast<unsigned char>(bytes[at])) != 0 || bytes[at] == '#')) {
        if (bytes[at] == '#')
            at = std::min(bytes.find('\n', at), bytes.size() - 1);
        ++at;
    }
    uint64_t value = 0;
    const size_t first = at;
    for (; at < bytes.size() && bytes[at] >= '0' && bytes[at] <= '9' && value < 1000000000; ++at)
        value = value * 10 + static_cast<uint64_t>(bytes[at] - '0');
    return at == first ? std::nullopt : std::optional(value);
}

}  // namespace

std::optional<std::pair<uint64_t, uint64_t>> declaredSize(std::string_view bytes, std::string_view format) {
    if (format == "gif" && bytes.size() >= 10)
        return std::pair(number(bytes, 6, 2), number(bytes, 8, 2));
    if (format != "pbm" && format != "pgm" && format != "ppm")
        return std::nullopt;
    size_t at = 2;
    const auto width = wordOf(bytes, at);
    const auto height = width ? wordOf(bytes, at) : std::nullopt;
    return height ? std::optional(std::pair(*width, *height)) : std::nullopt;
}

bool isCutOff(std::string_view bytes, std::string_view format) {
    if (format == "jpeg")
        return bytes.rfind("\xff\xd9") == std::string_view::npos;
    if (format == "png")
        return pngIsCutOff(bytes);
    if (format == "bmp")
        return bmpIsCutOff(bytes);
    return format == "gif" && gifIsCutOff(bytes);
}

}  // namespace gorsefinch
