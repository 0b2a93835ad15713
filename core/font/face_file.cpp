// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/face_file.h"

#include <algorithm>
#include <cmath>

#include "core/font/bitmap_charset.h"
#include "core/font/face_bytes.h"
#include "core/font/face_facts.h"
#include "core/font/free_type.h"

#include FT_OUTLINE_H

#include <hb-ft.h>
#include <hb-ot.h>
#include <hb.h>

namespace gorsefinch {

namespace {

constexpr size_t kMaxCharacters = 65536;
// Larger outlines are not rasterised: a glyph has at most 255 pixels a side.
constexpr FT_Pos kMaxOutlineSide = 2048;
constexpr int kMaxMetric = 10000;  // pixels; larger metrics are clamped

int pixels(FT_Pos sixtyFourths) {
    return static_cast<int>(std::clamp<FT_Pos>(sixtyFourths >> 6, -kMaxMetric, kMaxMetric));
}

struct FontDeleter {
    void operator()(hb_font_t* font) const { hb_font_destroy(font); }
};
struct BufferDeleter {
    void operator()(hb_buffer_t* buffer) const { hb_buffer_destroy(buffer); }
};

FT_Int32 loadFlags(const FaceRequest& request) {
    switch (request.hinting) {
        case Hinting::None:
            return FT_LOAD_NO_HINTING | (request.bits == 1 ? FT_LOAD_TARGET_MONO : FT_LOAD_TARGET_NORMAL);
        case Hinting::Light: return FT_LOAD_TARGET_LIGHT;
        case Hinting::Full: return request.bits == 1 ? FT_LOAD_TARGET_MONO : FT_LOAD_TARGET_NORMAL;
        case Hinting::Default: break;
    }
    return request.bits == 1 ? FT_LOAD_TARGET_MONO : FT_LOAD_TARGET_LIGHT;
}

class FreeTypeFace : public FaceAtSize {
  public:
    FreeTypeFace(Bytes bytes, FreeTypeLibrary library, FreeTypeFaceRef face, const FaceRequest& request)
        : bytes_(std::move(bytes)),
          library_(std::move(library)),
          face_(std::move(face)),
          flags_(loadFlags(request)),
          mono_(request.bits == 1) {
        if (!face_->charmap || face_->charmap->encoding != FT_ENCODING_UNICODE)
            charset_ = charactersOfCharset(face_.get());
        if (FT_IS_SCALABLE(face_.get()))
            setOutlineSize(request);
        else if (face_->num_fixed_sizes > 0)
            chooseStrike(request);
        font_.reset(hb_ft_font_create(face_.get(), nullptr));
        hb_ft_font_set_load_flags(font_.get(), flags_ | FT_LOAD_NO_BITMAP);
        kerns_ = enlarged_ == 1 && FT_IS_SCALABLE(face_.get()) &&
                 (FT_HAS_KERNING(face_.get()) || hb_ot_layout_has_positioning(hb_font_get_face(font_.get())) != 0);
    }

    int ascent() const override { return pixels(face_->size->metrics.ascender + 63) * enlarged_; }
    int lineHeight() const override {
        const int descent = pixels(63 - face_->size->metrics.descender);
        return std::clamp(ascent() + descent * enlarged_, 1, 255);
    }
    int capitals() const override { return glyph(U'H').rise; }
    bool has(char32_t character) const override { return indexOf(character) != 0; }

    GlyphBitmap glyph(char32_t character) const override {
        GlyphBitmap out;
        const FT_UInt index = indexOf(character);
        if (index == 0 || FT_Load_Glyph(face_.get(), index, flags_) != 0)
            return out;
        FT_GlyphSlot slot = face_->glyph;
        out.advance = pixels(slot->advance.x + 32) * enlarged_;
        if (isTooLarge(slot))
            return out;
        if (slot->format != FT_GLYPH_FORMAT_BITMAP &&
            FT_Render_Glyph(slot, mono_ ? FT_RENDER_MODE_MONO : FT_RENDER_MODE_NORMAL) != 0)
            return out;
        out.left = std::clamp(slot->bitmap_left, -kMaxMetric, kMaxMetric) * enlarged_;
        out.rise = std::clamp(slot->bitmap_top, -kMaxMetric, kMaxMetric) * enlarged_;
        if (hasPixels(slot->bitmap))
            copyBitmap(slot->bitmap, out);
        return out;
    }

    // One shaping for all pairs: left, other, left, other … What precedes an other is always `left`.
    std::vector<int> kerning(char32_t left, const std::vector<char32_t>& others) const override {
        std::vector<int> out(others.size(), 0);
        if (!kerns_)
            return out;
        std::vector<uint32_t> line;
        for (const char32_t other : others) {
            line.push_back(left);
            line.push_back(other);
        }
        const std::unique_ptr<hb_buffer_t, BufferDeleter> buffer(hb_buffer_create());
        hb_buffer_add_utf32(buffer.get(), line.data(), static_cast<int>(line.size()), 0, static_cast<int>(line.size()));
        hb_buffer_guess_segment_properties(buffer.get());
        hb_buffer_set_direction(buffer.get(), HB_DIRECTION_LTR);
        const hb_feature_t features[] = {{HB_TAG('l', 'i', 'g', 'a'), 0, 0, HB_FEATURE_GLOBAL_END},
                                         {HB_TAG('c', 'l', 'i', 'g'), 0, 0, HB_FEATURE_GLOBAL_END},
                                         {HB_TAG('c', 'a', 'l', 't'), 0, 0, HB_FEATURE_GLOBAL_END}};
        hb_shape(font_.get(), buffer.get(), features, 3);
        unsigned count = 0;
        const hb_glyph_info_t* infos = hb_buffer_get_glyph_infos(buffer.get(), &count);
        const hb_glyph_position_t* positions = hb_buffer_get_glyph_positions(buffer.get(), &count);
        if (count != line.size())
            return out;
        for (size_t i = 0; i < others.size(); ++i) {
            const int plain = hb_font_get_glyph_h_advance(font_.get(), infos[i * 2].codepoint);
            out[i] = static_cast<int>(std::lround((positions[i * 2].x_advance - plain) / 64.0));
        }
        return out;
    }

    std::vector<char32_t> characters() const override {
        std::vector<char32_t> out;
        for (const auto& [character, glyph] : charset_)
            out.push_back(character);
        if (!charset_.empty())
            return out;
        FT_UInt glyph = 0;
        for (FT_ULong code = FT_Get_First_Char(face_.get(), &glyph); glyph != 0 && out.size() < kMaxCharacters;
             code = FT_Get_Next_Char(face_.get(), code, &glyph))
            out.push_back(static_cast<char32_t>(code));
        return out;
    }

  private:
    void setOutlineSize(const FaceRequest& request) {
        FT_Face face = face_.get();
        if (request.measure == SizeMeasure::Line) {
            FT_Size_RequestRec size{FT_SIZE_REQUEST_TYPE_REAL_DIM, 0, request.size * 64, 0, 0};
            FT_Request_Size(face, &size);
            return;
        }
        FT_Set_Pixel_Sizes(face, 0, static_cast<FT_UInt>(request.size));
        if (request.measure == SizeMeasure::Em)
            return;
        // The em whose hinted capitals are as high as requested: hinting rounds, so it is tried.
        FT_F26Dot6 em = request.size * 64;
        for (int i = 0; i < 8; ++i) {
            const int rows = glyph(U'H').rise;
            if (rows <= 0 || rows == request.size)
                return;
            const FT_F26Dot6 next = em * request.size / rows;
            em = std::clamp<FT_F26Dot6>(next == em ? em + (rows < request.size ? 16 : -16) : next, 64, 64 * 1000);
            FT_Set_Char_Size(face, 0, em, 72, 72);
        }
    }

    void chooseStrike(const FaceRequest& request) {
        int best = 0;
        const auto height = [&](int i) { return pixels(face_->available_sizes[i].y_ppem); };
        for (int i = 1; i < face_->num_fixed_sizes; ++i) {
            const bool fits = height(i) <= request.size, bestFits = height(best) <= request.size;
            if (fits != bestFits ? fits : fits ? height(i) > height(best) : height(i) < height(best))
                best = i;
        }
        FT_Select_Size(face_.get(), best);
        enlarged_ = std::clamp(request.size / std::max(height(best), 1), 1, 16);
    }

    FT_UInt indexOf(char32_t character) const {
        if (charset_.empty())
            return FT_Get_Char_Index(face_.get(), character);
        const auto at = charset_.find(character);
        return at == charset_.end() ? 0 : at->second;
    }

    static bool isTooLarge(FT_GlyphSlot slot) {
        if (slot->format != FT_GLYPH_FORMAT_OUTLINE)
            return false;
        FT_BBox box;
        FT_Outline_Get_CBox(&slot->outline, &box);
        return (box.xMax - box.xMin) >> 6 > kMaxOutlineSide || (box.yMax - box.yMin) >> 6 > kMaxOutlineSide;
    }

    // A face may give a glyph a box and no bitmap, or rows shorter than its width.
    static bool hasPixels(const FT_Bitmap& bitmap) {
        const unsigned bits = bitmap.pixel_mode == FT_PIXEL_MODE_MONO    ? 1
                              : bitmap.pixel_mode == FT_PIXEL_MODE_GRAY2 ? 2
                              : bitmap.pixel_mode == FT_PIXEL_MODE_GRAY4 ? 4
                                                                         : 8;
        const auto rowBytes = static_cast<unsigned>(std::abs(bitmap.pitch));
        return bitmap.buffer && bitmap.width <= 65535 && bitmap.rows <= 65535 &&
               rowBytes >= (bitmap.width * bits + 7) / 8;
    }

    static uint8_t coverageAt(const FT_Bitmap& bitmap, int x, int y) {
        // A negative pitch means that the lowest row comes first.
        const int fromTop = bitmap.pitch < 0 ? static_cast<int>(bitmap.rows) - 1 - y : y;
        const unsigned char* row = bitmap.buffer + static_cast<std::ptrdiff_t>(fromTop) * std::abs(bitmap.pitch);
        switch (bitmap.pixel_mode) {
            case FT_PIXEL_MODE_MONO: return (row[x / 8] >> (7 - x % 8) & 1) != 0 ? 255 : 0;
            case FT_PIXEL_MODE_GRAY2: return static_cast<uint8_t>((row[x / 4] >> (6 - x % 4 * 2) & 3) * 85);
            case FT_PIXEL_MODE_GRAY4: return static_cast<uint8_t>((row[x / 2] >> (4 - x % 2 * 4) & 15) * 17);
            case FT_PIXEL_MODE_GRAY: return row[x];
            default: return 0;
        }
    }

    void copyBitmap(const FT_Bitmap& bitmap, GlyphBitmap& out) const {
        out.width = std::min(static_cast<int>(bitmap.width) * enlarged_, 255);
        out.height = std::min(static_cast<int>(bitmap.rows) * enlarged_, 255);
        out.coverage.reserve(static_cast<size_t>(out.width) * static_cast<size_t>(out.height));
        for (int y = 0; y < out.height; ++y)
            for (int x = 0; x < out.width; ++x)
                out.coverage.push_back(coverageAt(bitmap, x / enlarged_, y / enlarged_));
    }

    Bytes bytes_;
    FreeTypeLibrary library_;
    FreeTypeFaceRef face_;
    std::unique_ptr<hb_font_t, FontDeleter> font_;
    std::map<char32_t, FT_UInt> charset_;  // of a face without a Unicode table
    FT_Int32 flags_;
    bool mono_;
    bool kerns_ = false;
    int enlarged_ = 1;  // how many times a bitmap face's pixels are enlarged
};

}  // namespace

Result<std::shared_ptr<const FaceAtSize>> openFace(Bytes bytes, const std::string& file, const FaceRequest& request) {
    if (!bytes)
        return failure(file, "", "the face is missing", "Put the file back or choose another");
    auto unpacked = faceBytes(std::move(bytes), file);
    if (!unpacked)
        return tl::unexpected(unpacked.error());
    bytes = std::move(*unpacked);
    FreeTypeLibrary library = newFreeTypeLibrary();
    auto face = loadFace(library.get(), *bytes, file, variantNumber(bytes, request.variant));
    if (!face)
        return tl::unexpected(face.error());
    return std::make_shared<FreeTypeFace>(std::move(bytes), std::move(library), std::move(*face), request);
}

}  // namespace gorsefinch
