// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <ft2build.h>
#include FT_FREETYPE_H

#include <memory>
#include <string>
#include <string_view>

#include "core/base/result.h"

// What the files that speak with FreeType share.
namespace gorsefinch {

struct FreeTypeFaceDeleter {
    void operator()(FT_Face face) const { FT_Done_Face(face); }
};
using FreeTypeLibrary = std::shared_ptr<std::remove_pointer_t<FT_Library>>;
using FreeTypeFaceRef = std::unique_ptr<std::remove_pointer_t<FT_Face>, FreeTypeFaceDeleter>;

FreeTypeLibrary newFreeTypeLibrary();
// The face with this number of the file, instances in the upper 16 bits. `bytes` must outlive it.
Result<FreeTypeFaceRef> loadFace(FT_Library library, std::string_view bytes, const std::string& file, FT_Long number);

}  // namespace gorsefinch
