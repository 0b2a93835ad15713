// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/asset_files.h"

#include <algorithm>

#include "core/emit/c_text.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

std::string imageText(const Picture& picture, PixelFormat format, const std::string& name, bool header) {
    const std::vector<uint8_t> bytes = packed(picture, format);
    const std::string upper = upperCase(name);
    std::string out = "/* " + name + ": " + std::to_string(picture.width) + "x" + std::to_string(picture.height) + " " +
                      info(format).key + ", " + info(format).help + " */\n";
    if (header)
        out += "#ifndef " + upper + "_H\n#define " + upper + "_H\n\n";
    out += "#include <stdint.h>\n\n";
    out += "#define " + upper + "_WIDTH " + std::to_string(picture.width) + "\n";
    out += "#define " + upper + "_HEIGHT " + std::to_string(picture.height) + "\n";
    out += "#define " + upper + "_BYTES " + std::to_string(bytes.size()) + "\n\n";
    std::string array = byteArray(header ? "static " : "", name, bytes);
    array.erase(array.find("GORSE_ROM "), 10);
    if (!header)
        out += "extern const uint8_t " + name + "[" + upper + "_BYTES];\n";
    out += array;
    return header ? out + "\n#endif\n" : out;
}

Picture glyphSheet(const BakedFont& font) {
    const int cell = std::max(8, font.record()->line_height + 4);
    const int columns = 16;
    const int rows = static_cast<int>((font.glyphCount() + columns - 1) / columns);
    Picture sheet = makePicture(cell * columns, cell * rows, 0xff000000u);
    const int bits = font.key().bits;
    for (size_t i = 0; i < font.glyphCount(); ++i) {
        const gorse_glyph& g = font.glyphs()[i];
        const size_t offset = (static_cast<size_t>(g.offset_high) << 16 | g.offset_low) * 8;
        for (int y = 0; y < g.height; ++y)
            for (int x = 0; x < g.width; ++x) {
                const size_t bit = offset + static_cast<size_t>(y * g.width + x) * static_cast<size_t>(bits);
                const uint32_t level =
                    font.bits()[bit / 8] >> (8 - static_cast<size_t>(bits) - bit % 8) & ((1u << bits) - 1u);
                const int sx = static_cast<int>(i % columns) * cell + 2 + x;
                const int sy = static_cast<int>(i / columns) * cell + 2 + g.top - GORSE_TOP_BIAS + y;
                if (sx < sheet.width && sy >= 0 && sy < sheet.height)
                    sheet.at(sx, sy) = 0xff000000u | valueOf(level, bits) * 0x010101u;
            }
    }
    return sheet;
}

}  // namespace

Result<std::string> imageFile(const Picture& picture, PixelFormat format, const std::string& name,
                              const std::string& ending) {
    if (ending == ".c" || ending == ".h")
        return imageText(picture, format, name, ending == ".h");
    if (ending == ".bin") {
        const std::vector<uint8_t> bytes = packed(picture, format);
        return std::string(bytes.begin(), bytes.end());
    }
    if (ending == ".png")
        return encodePng(picture);
    return failure("", "", "a file ending in \"" + ending + "\" can't be written", "Use .c, .h, .bin or .png");
}

Result<std::string> fontFile(const BakedFont& font, const std::string& ending) {
    if (ending == ".c") {
        Document document;
        document.name = "face";
        BuiltScene scene;
        scene.document = document;
        scene.fonts.push_back(const_cast<BakedFont*>(&font));
        return writeFonts(scene);
    }
    if (ending == ".png")
        return encodePng(glyphSheet(font));
    return failure("", "", "a file ending in \"" + ending + "\" can't be written", "Use .c or .png");
}

}  // namespace gorsefinch
