// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/export_image.h"

#include <algorithm>
#include <array>
#include <cstdio>

#include "core/document/names.h"
#include "core/emit/c_text.h"

namespace gorsefinch {

namespace {

constexpr std::array<ExportEnding, 8> knownEndings{{
    {".c", "C source"},
    {".h", "C header"},
    {".bin", "packed bytes"},
    {".png", "PNG as it looks"},
    {".bmp", "BMP"},
    {".xbm", "XBM, one bit"},
    {".pbm", "PBM, one bit"},
    {".pgm", "PGM, greys"},
}};

bool isTypeName(const std::string& text) {
    const auto part = [](char c) { return c == '_' || c == ' ' || std::isalnum(static_cast<unsigned char>(c)) != 0; };
    return !text.empty() && text.size() < 80 && std::isdigit(static_cast<unsigned char>(text[0])) == 0 &&
           std::all_of(text.begin(), text.end(), part);
}

bool holdsWords(const std::string& element) {
    return element.find("16") != std::string::npos || element.find("short") != std::string::npos;
}

// A source or a header that defines the arrays, or a header that declares a source's.
enum class CFile { Source, Header, Declarations };

class CWriter {
  public:
    CWriter(const BakedImage& image, const ExportStyle& style, CFile file)
        : image_(image), style_(style), file_(file), upper_(upperCase(style.name)), words_(holdsWords(style.element)) {}

    std::string run() {
        const bool header = file_ != CFile::Source, declares = file_ == CFile::Declarations;
        const PixelFormatInfo& format = info(shownFormat());
        out_ = "/* " + style_.name + ": " + number(image_.width) + "x" + number(image_.height) + " " + format.key +
               ", " + (words_ ? "16-bit words, red on top" : format.help) + " */\n";
        if (header)
            out_ += "#ifndef " + upper_ + "_H\n#define " + upper_ + "_H\n\n";
        out_ += "#include <stdint.h>\n\n";
        if (declares)
            out_ += "#ifdef __cplusplus\nextern \"C\" {\n#endif\n\n";
        constants();
        if (!image_.palette.empty())
            palette();
        if (hasPixels())
            array(style_.name, &BakedFrame::pixels, upper_ + "_BYTES");
        if (image_.maskBits != 0)
            array(hasPixels() ? style_.name + "_mask" : style_.name, &BakedFrame::mask,
                  hasPixels() ? upper_ + "_MASK_BYTES" : upper_ + "_BYTES");
        if (image_.frames.size() > 1)
            times();
        if (declares)
            out_ += "\n#ifdef __cplusplus\n}\n#endif\n";
        return header ? out_ + "\n#endif\n" : out_;
    }

  private:
    static std::string number(size_t value) { return std::to_string(value); }
    static std::string number(int value) { return std::to_string(value); }
    bool hasPixels() const { return !image_.frames.front().pixels.empty(); }
    PixelFormat shownFormat() const { return hasPixels() ? image_.format : maskOfBits(image_.maskBits); }

    void define(const char* what, const std::string& value) {
        out_ += "#define " + upper_ + "_" + what + " " + value + "\n";
    }

    void constants() {
        const BakedFrame& first = image_.frames.front();
        define("WIDTH", number(image_.width));
        define("HEIGHT", number(image_.height));
        define("BYTES", number(hasPixels() ? first.pixels.size() : first.mask.size()));
        if (hasPixels() && image_.maskBits != 0) {
            define("MASK_BITS", number(image_.maskBits));
            define("MASK_BYTES", number(first.mask.size()));
        }
        if (image_.frames.size() > 1)
            define("FRAMES", number(image_.frames.size()));
        if (!image_.palette.empty())
            define("COLOURS", number(image_.palette.size()));
        out_ += "\n";
    }

    // Begins an array, or declares it; true if its values follow.
    bool begin(const std::string& words) {
        const bool declares = file_ == CFile::Declarations;
        out_ += (declares ? "extern " : "") + style_.storage + " " + words + (declares ? ";\n" : " = {");
        return !declares;
    }

    void palette() {
        out_ += "/* 0xAARRGGBB */\n";
        if (!begin("uint32_t " + style_.name + "_palette[" + upper_ + "_COLOURS]"))
            return;
        for (size_t i = 0; i < image_.palette.size(); ++i)
            out_ += (i % 6 == 0 ? "\n    " : " ") + colourLiteral(image_.palette[i]) + ",";
        out_ += "\n};\n";
    }

    void array(const std::string& name, std::vector<uint8_t> BakedFrame::*plane, const std::string& size) {
        const bool words = words_ && plane == &BakedFrame::pixels;
        const bool several = image_.frames.size() > 1;
        const std::string element = plane == &BakedFrame::pixels || !hasPixels() ? style_.element : "uint8_t";
        if (!begin(element + " " + name + (several ? "[" + upper_ + "_FRAMES]" : "") + "[" + size +
                   (words ? " / 2" : "") + "]"))
            return;
        for (const BakedFrame& frame : image_.frames) {
            out_ += several ? "\n    {" : "";
            values(frame.*plane, words);
            out_ += several ? "\n    }," : "";
        }
        out_ += "\n};\n";
    }

    // Words have the value that the panel takes for them, whatever their order in memory.
    void values(const std::vector<uint8_t>& bytes, bool words) {
        const bool highFirst = image_.format == PixelFormat::Rgb565Be;
        const size_t step = words ? 2 : 1;
        for (size_t i = 0; i < bytes.size(); i += step) {
            const uint32_t value = !words      ? bytes[i]
                                   : highFirst ? static_cast<uint32_t>(bytes[i]) << 8 | bytes[i + 1]
                                               : static_cast<uint32_t>(bytes[i + 1]) << 8 | bytes[i];
            char text[16];
            std::snprintf(text, sizeof text, words ? "0x%04x," : "0x%02x,", value);
            out_ += (i / step % (words ? 12 : 16) == 0 ? "\n    " : " ") + std::string(text);
        }
    }

    void times() {
        out_ += "/* ms */\n";
        if (!begin("uint16_t " + style_.name + "_times[" + upper_ + "_FRAMES]"))
            return;
        for (size_t i = 0; i < image_.frames.size(); ++i)
            out_ += (i % 12 == 0 ? "\n    " : " ") + number(int{image_.times[i]}) + ",";
        out_ += "\n};\n";
    }

    const BakedImage& image_;
    const ExportStyle& style_;
    CFile file_;
    std::string upper_, out_;
    bool words_;
};

std::string binary(const BakedImage& image) {
    std::string out;
    for (const BakedFrame& frame : image.frames) {
        out.append(frame.pixels.begin(), frame.pixels.end());
        out.append(frame.mask.begin(), frame.mask.end());
    }
    return out;
}

Result<void> checkC(const BakedImage& image, const ExportStyle& style) {
    if (const auto error = nameError(style.name))
        return failure("", "name", *error, "Choose another name");
    if (!isTypeName(style.element) || !isTypeName(style.storage))
        return failure("", "", "\"" + (isTypeName(style.element) ? style.storage : style.element) + "\" is no C",
                       "Write something like uint8_t, or static const");
    if (holdsWords(style.element) && info(image.format).bits != 16)
        return failure("", "", style.element + " holds words of 16 bits, " + info(image.format).key + " has none",
                       "Use uint8_t, or a format of 16 bits");
    return {};
}

bool isAmong(std::span<const std::string> endings, std::string_view wanted) {
    return std::find(endings.begin(), endings.end(), wanted) != endings.end();
}

}  // namespace

std::span<const ExportEnding> exportEndings() { return knownEndings; }

Result<std::vector<ExportedFile>> exportFiles(const BakedImage& image, const ExportStyle& style,
                                              std::span<const std::string> endings) {
    std::vector<ExportedFile> out;
    for (const std::string& ending : endings) {
        const bool declares = ending == ".h" && isAmong(endings, ".c");
        if (declares && style.storage.find("static") != std::string::npos)
            return failure("", "", "a header can't declare static arrays of a source",
                           "Leave out static, or write the header alone");
        auto bytes = exportImage(image, style, ending);
        if (!bytes)
            return tl::unexpected(bytes.error());
        out.push_back({ending, declares ? CWriter(image, style, CFile::Declarations).run() : std::move(*bytes)});
    }
    return out;
}

Result<std::string> exportImage(const BakedImage& image, const ExportStyle& style, const std::string& ending) {
    if (ending == ".c" || ending == ".h") {
        if (const auto fine = checkC(image, style); !fine)
            return tl::unexpected(fine.error());
        return CWriter(image, style, ending == ".h" ? CFile::Header : CFile::Source).run();
    }
    if (ending == ".bin")
        return binary(image);
    if (ending == ".png")
        return encodePng(image.picture(0));
    if (ending.size() > 1)
        if (const auto file = encodePicture(image.picture(0), ending.substr(1), style.name))
            return *file;
    std::string known;
    for (const ExportEnding& each : knownEndings)
        known += (known.empty() ? "" : ", ") + std::string(each.ending);
    return failure("", "", "a file ending in \"" + ending + "\" can't be written", "Use " + known);
}

Result<BakedImageRef> bakeForExport(const Document& document, const Image& image, PixelFormat format,
                                    ImageBakery& bakery) {
    Image plain = image;
    plain.recipe.packing = Packing::Plain;
    plain.recipe.outside = false;
    Panel panel = *document.panel;
    if (info(format).isMask()) {
        plain.recipe.maskOnly = true;
        plain.recipe.maskBits = info(format).bits;
        panel.format = PixelFormat::Rgb888;
    } else {
        plain.recipe.format = format;
        panel.palette = panelPalette(panel);
        panel.format = format;
    }
    Document alone = document;
    alone.panel = std::make_shared<const Panel>(std::move(panel));
    return bakery.bake(alone, plain);
}

}  // namespace gorsefinch
