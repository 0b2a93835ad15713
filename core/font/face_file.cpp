// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/face_file.h"

#include <ft2build.h>
#include FT_FREETYPE_H
#include FT_OUTLINE_H
#include <hb-ft.h>
#include <hb.h>

#include <algorithm>
#include <cmath>

namespace gorsefinch {

namespace {

struct LibraryDeleter {
    void operator()(FT_Library library) const { FT_Done_FreeType(library); }
};
struct FaceDeleter {
    void operator()(FT_Face face) const { FT_Done_Face(face); }
};
struct FontDeleter {
    void operator()(hb_font_t* font) const { hb_font_destroy(font); }
};
struct BufferDeleter {
    void operator()(hb_buffer_t* buffer) const { hb_buffer_destroy(buffer); }
};
using LibraryRef = std::shared_ptr<std::remove_pointer_t<FT_Library>>;
using FaceRef = std::unique_ptr<std::remove_pointer_t<FT_Face>, FaceDeleter>;

LibraryRef newLibrary() {
    FT_Library library = nullptr;
    if (FT_Init_FreeType(&library) != 0)
        return nullptr;
    return {library, LibraryDeleter{}};
}

Result<FaceRef> load(FT_Library library, const std::string& bytes, const std::string& file) {
    FT_Face face = nullptr;
    const auto error = FT_New_Memory_Face(library, reinterpret_cast<const FT_Byte*>(bytes.data()),
                                          static_cast<FT_Long>(bytes.size()), 0, &face);
    if (error != 0)
        return failure(file, "", "this is not a font that can be used", "Choose a TTF or OTF file");
    return FaceRef(face);
}

class FreeTypeFace : public FaceAtSize {
  public:
    FreeTypeFace(Bytes bytes, LibraryRef library, FaceRef face, int size, int bits)
        : bytes_(std::move(bytes)), library_(std::move(library)), face_(std::move(face)) {
        flags_ = bits == 1 ? FT_LOAD_TARGET_MONO : FT_LOAD_TARGET_LIGHT;
        mono_ = bits == 1;
        FT_Set_Pixel_Sizes(face_.get(), 0, static_cast<FT_UInt>(size));
        if (!FT_IS_SCALABLE(face_.get()) && face_->num_fixed_sizes > 0)
            FT_Select_Size(face_.get(), 0);
        font_.reset(hb_ft_font_create(face_.get(), nullptr));
        hb_ft_font_set_load_flags(font_.get(), flags_ | FT_LOAD_NO_BITMAP);
    }

    int ascent() const override { return static_cast<int>((face_->size->metrics.ascender + 63) >> 6); }
    int lineHeight() const override {
        const int descent = static_cast<int>((-face_->size->metrics.descender + 63) >> 6);
        return std::clamp(ascent() + descent, 1, 255);
    }
    bool has(char32_t character) const override { return FT_Get_Char_Index(face_.get(), character) != 0; }

    GlyphBitmap glyph(char32_t character) const override {
        GlyphBitmap out;
        const FT_UInt index = FT_Get_Char_Index(face_.get(), character);
        if (index == 0 || FT_Load_Glyph(face_.get(), index, flags_) != 0)
            return out;
        FT_GlyphSlot slot = face_->glyph;
        if (FT_Render_Glyph(slot, mono_ ? FT_RENDER_MODE_MONO : FT_RENDER_MODE_NORMAL) != 0)
            return out;
        out.advance = static_cast<int>((slot->advance.x + 32) >> 6);
        out.left = slot->bitmap_left;
        out.rise = slot->bitmap_top;
        copyBitmap(slot->bitmap, out);
        return out;
    }

    int kerning(char32_t left, char32_t right) const override {
        const std::unique_ptr<hb_buffer_t, BufferDeleter> buffer(hb_buffer_create());
        const uint32_t pair[2] = {left, right};
        hb_buffer_add_utf32(buffer.get(), pair, 2, 0, 2);
        hb_buffer_guess_segment_properties(buffer.get());
        const hb_feature_t features[] = {{HB_TAG('l', 'i', 'g', 'a'), 0, 0, HB_FEATURE_GLOBAL_END},
                                         {HB_TAG('c', 'l', 'i', 'g'), 0, 0, HB_FEATURE_GLOBAL_END},
                                         {HB_TAG('c', 'a', 'l', 't'), 0, 0, HB_FEATURE_GLOBAL_END}};
        hb_shape(font_.get(), buffer.get(), features, 3);
        unsigned count = 0;
        const hb_glyph_info_t* infos = hb_buffer_get_glyph_infos(buffer.get(), &count);
        const hb_glyph_position_t* positions = hb_buffer_get_glyph_positions(buffer.get(), &count);
        if (count != 2)
            return 0;
        const int plain = hb_font_get_glyph_h_advance(font_.get(), infos[0].codepoint);
        return static_cast<int>(std::lround((positions[0].x_advance - plain) / 64.0));
    }

  private:
    void copyBitmap(const FT_Bitmap& bitmap, GlyphBitmap& out) const {
        out.width = std::min(static_cast<int>(bitmap.width), 255);
        out.height = std::min(static_cast<int>(bitmap.rows), 255);
        out.coverage.reserve(static_cast<size_t>(out.width) * static_cast<size_t>(out.height));
        for (int y = 0; y < out.height; ++y) {
            const unsigned char* row = bitmap.buffer + static_cast<std::ptrdiff_t>(y) * bitmap.pitch;
            for (int x = 0; x < out.width; ++x) {
                const bool oneBit = bitmap.pixel_mode == FT_PIXEL_MODE_MONO;
                out.coverage.push_back(oneBit ? ((row[x / 8] >> (7 - x % 8) & 1) != 0 ? 255 : 0) : row[x]);
            }
        }
    }

    Bytes bytes_;
    LibraryRef library_;
    FaceRef face_;
    std::unique_ptr<hb_font_t, FontDeleter> font_;
    int flags_ = 0;
    bool mono_ = false;
};

}  // namespace

Result<std::shared_ptr<const FaceAtSize>> openFace(Bytes bytes, const std::string& file, int size, int bits) {
    if (!bytes)
        return failure(file, "", "the face is missing", "Put the file back or choose another");
    LibraryRef library = newLibrary();
    auto face = load(library.get(), *bytes, file);
    if (!face)
        return tl::unexpected(face.error());
    return std::make_shared<FreeTypeFace>(std::move(bytes), std::move(library), std::move(*face), size, bits);
}

Result<std::string> faceTitle(const std::string& bytes, const std::string& file) {
    const LibraryRef library = newLibrary();
    const auto face = load(library.get(), bytes, file);
    if (!face)
        return tl::unexpected(face.error());
    const char* family = (*face)->family_name;
    const char* style = (*face)->style_name;
    return std::string(family ? family : "unnamed") + (style ? std::string(" ") + style : std::string());
}

}  // namespace gorsefinch
