// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/bitmap_charset.h"

#include <unicode/ucnv.h>

#include <algorithm>
#include <cctype>
#include <memory>
#include <string>

#include FT_BDF_H

namespace gorsefinch {

namespace {

struct ConverterDeleter {
    void operator()(UConverter* converter) const { ucnv_close(converter); }
};
using Converter = std::unique_ptr<UConverter, ConverterDeleter>;

// The converter of "ISO8859-2", "KOI8-R" and their like; null for an unknown set.
Converter converterOf(FT_Face face) {
    const char *encoding = nullptr, *registry = nullptr;
    if (FT_Get_BDF_Charset_ID(face, &encoding, &registry) != 0 || !encoding || !registry)
        return nullptr;
    const std::string name = std::string(registry) + "-" + encoding;
    // The library would open a file for a name that contains a path.
    if (!std::all_of(name.begin(), name.end(),
                     [](unsigned char c) { return c < 128 && (std::isalnum(c) != 0 || c == '-' || c == '_'); }))
        return nullptr;
    UErrorCode error = U_ZERO_ERROR;
    Converter converter(ucnv_open(name.c_str(), &error));
    return U_SUCCESS(error) ? std::move(converter) : nullptr;
}

char32_t converted(UConverter* converter, FT_ULong code) {
    if (!converter)
        return static_cast<char32_t>(code);
    char bytes[2];
    int count = 0;
    if (code > 255)
        bytes[count++] = static_cast<char>(code >> 8);
    bytes[count++] = static_cast<char>(code);
    const char* at = bytes;
    UErrorCode error = U_ZERO_ERROR;
    ucnv_reset(converter);
    const UChar32 character = ucnv_getNextUChar(converter, &at, bytes + count, &error);
    return U_SUCCESS(error) && character != 0xfffd ? static_cast<char32_t>(character) : 0;
}

}  // namespace

std::map<char32_t, FT_UInt> charactersOfCharset(FT_Face face) {
    std::map<char32_t, FT_UInt> out;
    if (face->num_charmaps == 0 || FT_Set_Charmap(face, face->charmaps[0]) != 0)
        return out;
    const Converter converter = converterOf(face);
    FT_UInt glyph = 0;
    for (FT_ULong code = FT_Get_First_Char(face, &glyph); glyph != 0 && out.size() < 65536;
         code = FT_Get_Next_Char(face, code, &glyph))
        if (const char32_t character = converted(converter.get(), code); character != 0)
            out.emplace(character, glyph);
    return out;
}

}  // namespace gorsefinch
