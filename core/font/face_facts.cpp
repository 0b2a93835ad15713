// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/face_facts.h"

#include <algorithm>

#include "core/font/face_bytes.h"
#include "core/font/free_type.h"

#include FT_FONT_FORMATS_H
#include FT_MULTIPLE_MASTERS_H
#include FT_SFNT_NAMES_H
#include FT_TRUETYPE_IDS_H
#include FT_TRUETYPE_TABLES_H
#include FT_BDF_H

namespace gorsefinch {

namespace {

constexpr size_t kMaxVariants = 200;

// UTF-16 of the name table as UTF-8; characters outside the first plane are rare in names and left out.
std::string fromUtf16(const FT_SfntName& name) {
    std::string out;
    for (FT_UInt i = 0; i + 1 < name.string_len; i += 2) {
        const unsigned c = static_cast<unsigned>(name.string[i]) << 8 | name.string[i + 1];
        if (c < 0x80) {
            out += static_cast<char>(c);
        } else if (c < 0x800) {
            out += static_cast<char>(0xc0 | c >> 6);
            out += static_cast<char>(0x80 | (c & 0x3f));
        } else if (c < 0xd800 || c > 0xdfff) {
            out += static_cast<char>(0xe0 | c >> 12);
            out += static_cast<char>(0x80 | (c >> 6 & 0x3f));
            out += static_cast<char>(0x80 | (c & 0x3f));
        }
    }
    return out;
}

// English before others; "" if the face has no such entry.
std::string sfntName(FT_Face face, unsigned id) {
    std::string found;
    for (FT_UInt i = 0; i < std::min<FT_UInt>(FT_Get_Sfnt_Name_Count(face), 2000); ++i) {
        FT_SfntName name;
        if (FT_Get_Sfnt_Name(face, i, &name) != 0 || name.name_id != id || name.string_len > 20000)
            continue;
        const bool windows = name.platform_id == TT_PLATFORM_MICROSOFT || name.platform_id == TT_PLATFORM_APPLE_UNICODE;
        const std::string text =
            windows ? fromUtf16(name) : std::string(reinterpret_cast<const char*>(name.string), name.string_len);
        if (found.empty() || (windows && name.language_id == TT_MS_LANGID_ENGLISH_UNITED_STATES))
            found = text;
    }
    return found;
}

std::string bdfProperty(FT_Face face, const char* name) {
    BDF_PropertyRec property;
    if (FT_Get_BDF_Property(face, name, &property) != 0 || property.type != BDF_PROPERTY_TYPE_ATOM || !property.u.atom)
        return {};
    return property.u.atom;
}

std::string embeddingWords(FT_Face face) {
    const auto* os2 = static_cast<const TT_OS2*>(FT_Get_Sfnt_Table(face, FT_SFNT_OS2));
    if (!os2)
        return {};
    if ((os2->fsType & 0x0002) != 0)
        return "its embedding field says restricted: ask its maker before you ship it";
    if ((os2->fsType & 0x0200) != 0)
        return "its embedding field allows bitmaps only";
    return {};
}

void addVariants(FT_Library library, FT_Face face, long number, std::vector<FaceVariant>& out) {
    const auto add = [&](std::string name, long at) {
        if (name.empty())
            name = "face " + std::to_string(out.size() + 1);
        const std::string stem = name;
        for (int n = 2; std::any_of(out.begin(), out.end(), [&](const FaceVariant& v) { return v.name == name; }); ++n)
            name = stem + " " + std::to_string(n);
        if (out.size() < kMaxVariants)
            out.push_back({name, at});
    };
    add(face->style_name ? face->style_name : "", number);
    FT_MM_Var* axes = nullptr;
    if (!FT_HAS_MULTIPLE_MASTERS(face) || FT_Get_MM_Var(face, &axes) != 0)
        return;
    for (FT_UInt i = 0; i < axes->num_namedstyles; ++i) {
        const std::string name = sfntName(face, axes->namedstyle[i].strid);
        // The default instance is the face itself.
        if (!out.empty() && name == out.front().name)
            out.front().number = number | static_cast<long>(i + 1) << 16;
        else
            add(name, number | static_cast<long>(i + 1) << 16);
    }
    FT_Done_MM_Var(library, axes);
}

std::vector<FaceVariant> variantsOf(FT_Library library, std::string_view bytes, FT_Face first) {
    std::vector<FaceVariant> out;
    addVariants(library, first, 0, out);
    for (long i = 1; i < std::min<long>(first->num_faces, 64); ++i)
        if (const auto face = loadFace(library, bytes, "", i))
            addVariants(library, face->get(), i, out);
    return out;
}

}  // namespace

Result<FaceFacts> faceFacts(Bytes given, const std::string& file, const std::string& variant) {
    const auto unpacked = faceBytes(std::move(given), file);
    if (!unpacked)
        return tl::unexpected(unpacked.error());
    std::string_view bytes = **unpacked;
    const FreeTypeLibrary library = newFreeTypeLibrary();
    auto face = loadFace(library.get(), bytes, file, 0);
    if (!face)
        return tl::unexpected(face.error());
    FaceFacts out;
    out.variants = variantsOf(library.get(), bytes, face->get());
    const auto chosen =
        std::find_if(out.variants.begin(), out.variants.end(), [&](const FaceVariant& v) { return v.name == variant; });
    if (chosen != out.variants.end() && chosen->number != 0)
        if (auto other = loadFace(library.get(), bytes, file, chosen->number))
            face = std::move(other);
    FT_Face f = face->get();
    out.family = f->family_name ? f->family_name : "unnamed";
    out.style = chosen != out.variants.end() ? chosen->name : f->style_name ? f->style_name : "";
    const char* format = FT_Get_Font_Format(f);
    out.format = format ? format : "";
    if (out.format == "CFF")
        out.format = "OpenType";
    out.glyphs = f->num_glyphs;
    if (!FT_IS_SCALABLE(f))
        for (int i = 0; i < f->num_fixed_sizes; ++i)
            out.strikes.push_back(static_cast<int>(std::clamp<FT_Pos>(f->available_sizes[i].y_ppem >> 6, 0, 10000)));
    out.copyright = sfntName(f, TT_NAME_ID_COPYRIGHT);
    if (out.copyright.empty())
        out.copyright = bdfProperty(f, "COPYRIGHT");
    out.licence = sfntName(f, TT_NAME_ID_LICENSE);
    out.licenceAddress = sfntName(f, TT_NAME_ID_LICENSE_URL);
    out.embedding = embeddingWords(f);
    return out;
}

long variantNumber(const Bytes& bytes, const std::string& variant) {
    if (variant.empty())
        return 0;
    const auto facts = faceFacts(bytes, "", variant);
    if (facts)
        for (const FaceVariant& each : facts->variants)
            if (each.name == variant)
                return each.number;
    return 0;
}

}  // namespace gorsefinch
