// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/free_type.h"

namespace gorsefinch {

FreeTypeLibrary newFreeTypeLibrary() {
    FT_Library library = nullptr;
    if (FT_Init_FreeType(&library) != 0)
        return nullptr;
    return {library, [](FT_Library each) { FT_Done_FreeType(each); }};
}

Result<FreeTypeFaceRef> loadFace(FT_Library library, std::string_view bytes, const std::string& file, FT_Long number) {
    FT_Face face = nullptr;
    const auto error = FT_New_Memory_Face(library, reinterpret_cast<const FT_Byte*>(bytes.data()),
                                          static_cast<FT_Long>(bytes.size()), number, &face);
    if (error != 0)
        return failure(file, "", "this is not a font that can be used", "Choose a TTF, OTF, BDF or PCF file");
    return FreeTypeFaceRef(face);
}

}  // namespace gorsefinch
