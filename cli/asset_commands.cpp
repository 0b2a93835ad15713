// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>
#include <iostream>

#include "cli/commands.h"
#include "core/emit/asset_files.h"
#include "core/image/scale.h"
#include "core/project/names.h"
#include "core/rules/text_compiler.h"

namespace gorsefinch::cli {

namespace {

struct ImageOptions {
    std::string input, out, format, size, fit = "contain", dither = "none", background, name;
};

struct FontOptions {
    std::string input, out, chars;
    std::vector<std::string> ranges;
    int size = 16, bits = 4;
};

int usage(const std::string& words) {
    std::cerr << "gorsefinch-cli: " << words << "\n";
    return kUsage;
}

std::string nameOf(const std::string& given, const std::string& path, const char* otherwise) {
    return given.empty() ? nameFrom(std::filesystem::path(path).stem().string(), otherwise) : given;
}

bool readSize(const std::string& text, Recipe& recipe) {
    const size_t x = text.find('x');
    const auto w = decimalFromText(text.substr(0, x), 0);
    const auto h = x == std::string::npos ? std::nullopt : decimalFromText(text.substr(x + 1), 0);
    if (!w || !h || *w < 1 || *h < 1 || *w > kMostPanelSide || *h > kMostPanelSide)
        return false;
    recipe.width = *w;
    recipe.height = *h;
    return true;
}

int image(const ImageOptions& o) {
    const PixelFormatInfo* format = pixelFormatByKey(o.format);
    if (!format) {
        std::string known;
        for (const PixelFormatInfo& each : pixelFormats())
            known += std::string(" ") + each.key;
        return usage("--format: \"" + o.format + "\" is not known; it is one of" + known);
    }
    Recipe recipe;
    if (!o.size.empty() && !readSize(o.size, recipe))
        return usage("--size: write WxH with sides from 1 to 4096, such as 64x48");
    recipe.fit = *fitByKey(o.fit);
    recipe.reduction = *reductionByKey(o.dither);
    recipe.background = format->mask ? Colour{0} : opaque(0x000000);
    if (!o.background.empty()) {
        const auto colour = colourFromText(o.background);
        if (!colour)
            return usage("--background: write #RRGGBB");
        recipe.background = *colour;
    }
    const std::string name = nameOf(o.name, o.input, "image");
    if (const auto trouble = nameTrouble(name))
        return usage("--name: " + *trouble);
    Files files;
    const auto bytes = files.read(o.input);
    if (!bytes)
        return refuse(bytes.error());
    const auto picture = decodePicture(*bytes, o.input);
    if (!picture)
        return refuse(picture.error());
    const PixelSize size = resultSize(recipe, picture->width, picture->height);
    if (size.width > kMostPanelSide || size.height > kMostPanelSide)
        return refuse({o.input, "", "the result would be larger than 4096 pixels", "Give it a --size"});
    const Picture result = reduced(fitted(*picture, recipe), format->format, recipe.reduction);
    const auto out = imageFile(result, format->format, name, std::filesystem::path(o.out).extension().string());
    if (!out)
        return usage("-o: " + out.error().reason + ". " + out.error().remedy);
    const auto written = writeSafely(files, o.out, *out);
    return written ? kFine : refuse(written.error());
}

// "A-B" with single characters or U+hex numbers.
std::optional<std::pair<char32_t, char32_t>> readRange(const std::string& text) {
    const auto one = [](const std::string& part) -> std::optional<char32_t> {
        if (part.starts_with("U+") || part.starts_with("u+")) {
            char* end = nullptr;
            const unsigned long value = std::strtoul(part.c_str() + 2, &end, 16);
            return *end == 0 && value < 0x110000 && part.size() > 2 ? std::optional(static_cast<char32_t>(value)) : std::nullopt;
        }
        const auto all = charactersOf(part);
        return all.size() == 1 ? std::optional(*all.begin()) : std::nullopt;
    };
    const size_t dash = text.find('-', 1);
    if (dash == std::string::npos)
        return std::nullopt;
    const auto first = one(text.substr(0, dash)), last = one(text.substr(dash + 1));
    if (!first || !last || *first > *last || *last - *first > 20000)
        return std::nullopt;
    return std::pair(*first, *last);
}

int font(const FontOptions& o) {
    if (o.bits != 1 && o.bits != 2 && o.bits != 4 && o.bits != 8)
        return usage("--bits: it is 1, 2, 4 or 8");
    std::set<char32_t> characters = charactersOf(o.chars);
    for (const std::string& each : o.ranges) {
        const auto range = readRange(each);
        if (!range)
            return usage("--range: write A-Z or U+0041-U+005A, at most 20000 characters");
        for (char32_t c = range->first; c <= range->second; ++c)
            characters.insert(c);
    }
    if (characters.empty())
        for (char32_t c = 32; c < 127; ++c)
            characters.insert(c);
    Files files;
    const auto bytes = files.read(o.input);
    if (!bytes)
        return refuse(bytes.error());
    const auto face = openFace(std::make_shared<const std::string>(*bytes), o.input, o.size, o.bits);
    if (!face)
        return refuse(face.error());
    const std::string name = nameOf("", o.input, "face");
    BakedFont baked({name, o.size, o.bits}, *face);
    baked.need(characters, 1);
    baked.bake();
    for (const char32_t c : characters)
        if (!baked.has(c))
            std::fprintf(stderr, "gorsefinch-cli: the face has no character U+%04X\n", static_cast<unsigned>(c));
    const auto out = fontFile(baked, std::filesystem::path(o.out).extension().string());
    if (!out)
        return usage("-o: " + out.error().reason + ". " + out.error().remedy);
    const auto written = writeSafely(files, o.out, *out);
    return written ? kFine : refuse(written.error());
}

}  // namespace

void addAssetCommands(CLI::App& app, int& exitCode) {
    static ImageOptions i;
    auto* images = app.add_subcommand("image", "Convert a picture into a pixel format");
    images->add_option("INPUT", i.input, "PNG, JPEG, BMP or GIF")->required();
    images->add_option("-o", i.out, "FILE.c, FILE.h, FILE.bin or FILE.png")->required();
    images->add_option("--format", i.format, "the pixel format")->required();
    images->add_option("--size", i.size, "WxH in pixels; the original's without it");
    images->add_option("--fit", i.fit, "contain, cover or stretch")->check(CLI::IsMember({"contain", "cover", "stretch"}));
    images->add_option("--dither", i.dither, "none or floyd-steinberg")->check(CLI::IsMember({"none", "floyd-steinberg"}));
    images->add_option("--background", i.background, "#RRGGBB behind what is transparent; black without it");
    images->add_option("--name", i.name, "the name in C; made of the file's without it");
    images->callback([&exitCode] { exitCode = image(i); });

    static FontOptions f;
    auto* fonts = app.add_subcommand("font", "Convert a face into bitmaps");
    fonts->add_option("INPUT", f.input, "TTF or OTF")->required();
    fonts->add_option("--size", f.size, "pixels of the em")->required()->check(CLI::Range(4, 200));
    fonts->add_option("--bits", f.bits, "bits a pixel: 1, 2, 4 or 8")->required();
    fonts->add_option("--chars", f.chars, "the characters of this text");
    fonts->add_option("--range", f.ranges, "A-B, as often as needed; printable ASCII without any");
    fonts->add_option("-o", f.out, "FILE.c or FILE.png")->required();
    fonts->callback([&exitCode] { exitCode = font(f); });
}

}  // namespace gorsefinch::cli
