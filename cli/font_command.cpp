// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>
#include <iostream>

#include "cli/commands.h"
#include "core/emit/export_font.h"
#include "core/project/names.h"
#include "core/rules/text_compiler.h"

namespace gorsefinch::cli {

namespace {

struct FontOptions {
    std::string input, out, chars;
    std::vector<std::string> ranges;
    int size = 16, bits = 4;
};

int usage(const std::string& words) {
    std::cerr << "gorsefinch-cli: " << words << "\n";
    return kUsage;
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
    const std::string name = nameFrom(std::filesystem::path(o.input).stem().string(), "face");
    BakedFont baked({name, o.size, o.bits}, *face);
    baked.need(characters, 1);
    baked.bake();
    for (const char32_t c : characters)
        if (!baked.has(c))
            std::fprintf(stderr, "gorsefinch-cli: the face has no character U+%04X\n", static_cast<unsigned>(c));
    const auto out = exportFont(baked, std::filesystem::path(o.out).extension().string());
    if (!out)
        return usage("-o: " + out.error().reason + ". " + out.error().remedy);
    const auto written = writeSafely(files, o.out, *out);
    return written ? kFine : refuse(written.error());
}

}  // namespace

void addFontCommand(CLI::App& app, int& exitCode) {
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
