// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/face_bytes.h"

#include <zlib.h>

#include <array>
#include <string_view>

namespace gorsefinch {

namespace {

using namespace std::string_view_literals;

bool isFace(std::string_view bytes) {
    constexpr std::array beginnings{"\0\1\0\0"sv, "OTTO"sv, "true"sv, "ttcf"sv, "STARTFONT"sv, "\1fcp"sv};
    for (const std::string_view each : beginnings)
        if (bytes.starts_with(each))
            return true;
    return false;
}

bool isGzip(std::string_view bytes) { return bytes.starts_with("\x1f\x8b"sv); }

// "" if the bytes are no gzip file, or unpack to more than kMaxFaceBytes.
std::string unpackedGzip(std::string_view bytes) {
    z_stream stream{};
    if (inflateInit2(&stream, 15 + 16) != Z_OK)
        return {};
    stream.next_in = reinterpret_cast<Bytef*>(const_cast<char*>(bytes.data()));
    stream.avail_in = static_cast<uInt>(bytes.size());
    std::string out;
    std::array<char, 65536> part;
    int state = Z_OK;
    while (state == Z_OK && out.size() <= kMaxFaceBytes) {
        stream.next_out = reinterpret_cast<Bytef*>(part.data());
        stream.avail_out = static_cast<uInt>(part.size());
        state = inflate(&stream, Z_NO_FLUSH);
        out.append(part.data(), part.size() - stream.avail_out);
        if (stream.avail_in == 0 && stream.avail_out == part.size())
            break;
    }
    inflateEnd(&stream);
    return state == Z_STREAM_END && out.size() <= kMaxFaceBytes ? out : std::string();
}

}  // namespace

Result<Bytes> faceBytes(Bytes bytes, const std::string& file) {
    constexpr const char* remedy = "Choose a TTF, OTF, BDF or PCF file";
    if (bytes->size() > kMaxFaceBytes)
        return failure(file, "", "the face has more than 64 MB", "Choose another, or a part of it");
    if (isGzip(*bytes))
        bytes = FileContents::mapped(unpackedGzip(*bytes));
    if (!isFace(*bytes))
        return failure(file, "", "this is not a font that can be used", remedy);
    return bytes;
}

}  // namespace gorsefinch
