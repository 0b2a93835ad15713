// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>
#include <iostream>

#include "cli/commands.h"
#include "core/document/names.h"
#include "core/emit/export_font.h"
#include "core/font/unicode_blocks.h"
#include "core/rules/text_compiler.h"

namespace gorsefinch::cli {

namespace {

struct FontOptions {
    std::string input, out, chars, textFile, measure = "em", hinting = "default", packing = "plain";
    std::vector<std::string> ranges, blocks;
    Face face;  // variant, and settings beside those above
    int size = 16;
    bool all = false;
};

// "A-B" with single characters or U+hex numbers.
std::optional<std::pair<char32_t, char32_t>> readRange(const std::string& text) {
    const auto one = [](const std::string& part) -> std::optional<char32_t> {
        if (part.starts_with("U+") || part.starts_with("u+")) {
            char* end = nullptr;
            const unsigned long value = std::strtoul(part.c_str() + 2, &end, 16);
            return *end == 0 && value < 0x110000 && part.size() > 2 ? std::optional(static_cast<char32_t>(value))
                                                                    : std::nullopt;
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

// Which characters, from all the options that name some; nothing, and the exit code, for a mistake.
std::optional<std::set<char32_t>> wantedCharacters(const FontOptions& o, int& exitCode) {
    std::set<char32_t> characters = charactersOf(o.chars);
    for (const std::string& each : o.ranges) {
        const auto range = readRange(each);
        if (!range) {
            exitCode = usage("--range: write A-Z or U+0041-U+005A, at most 20000 characters");
            return std::nullopt;
        }
        for (char32_t c = range->first; c <= range->second; ++c)
            characters.insert(c);
    }
    for (const std::string& each : o.blocks) {
        const std::set<char32_t> block = charactersOfBlock(each);
        if (block.empty()) {
            exitCode = usage("--block: Unicode has no block \"" + each + "\"; one is \"Latin-1 Supplement\"");
            return std::nullopt;
        }
        characters.insert(block.begin(), block.end());
    }
    if (!o.textFile.empty()) {
        Disk disk;
        const auto text = readFile(disk, o.textFile, kMaxTextFile);
        if (!text) {
            exitCode = refuse(text.error());
            return std::nullopt;
        }
        characters.merge(charactersOf(*text));
    }
    return characters;
}

int font(FontOptions o) {
    FontSettings& s = o.face.defaults;
    const auto measure = sizeMeasureByKey(o.measure);
    const auto hinting = hintingByKey(o.hinting);
    const auto packing = glyphPackingByKey(o.packing);
    if (s.bits != 1 && s.bits != 2 && s.bits != 4 && s.bits != 8)
        return usage("--bits: it is 1, 2, 4 or 8");
    if (!measure || !hinting || !packing)
        return usage(
            "--measure is em, capitals or line; --hinting default, none, light or full; --packing plain, runs or "
            "smallest");
    s.measure = *measure, s.hinting = *hinting, s.packing = *packing;
    int exitCode = kFine;
    auto characters = wantedCharacters(o, exitCode);
    if (!characters)
        return exitCode;
    Disk disk;
    const auto bytes = readOriginal(disk, o.input, kMaxFaceFile);
    if (!bytes)
        return refuse(bytes.error());
    o.face.name = nameFrom(std::filesystem::path(o.input).stem().string(), "face");
    o.face.file = std::filesystem::path(o.input).filename().string();
    o.face.original = *bytes;
    Document document;
    document.faces = std::make_shared<std::vector<Face>>(std::vector<Face>{o.face});
    const FontKey key{o.face.name, o.size};
    auto source = fontSource(document, key, s.bits);
    if (!source)
        return refuse(source.error());
    if (o.all)
        for (const char32_t c : source->faces.front()->characters())
            characters->insert(c);
    if (characters->empty())
        for (char32_t c = 32; c < 127; ++c)
            characters->insert(c);
    BakedFont baked(key, std::move(*source));
    baked.need(*characters, 1);
    baked.bake();
    for (const char32_t c : baked.missing())
        std::fprintf(stderr, "gorsefinch-cli: the face has no character U+%04X\n", static_cast<unsigned>(c));
    const auto out = exportFont(baked, std::filesystem::path(o.out).extension().string());
    if (!out)
        return usage("-o: " + out.error().reason + ". " + out.error().remedy);
    const auto written = replaceFile(disk, o.out, *out);
    return written ? kFine : refuse(written.error());
}

}  // namespace

void addFontCommand(CLI::App& app, int& exitCode) {
    static FontOptions f;
    FontSettings& s = f.face.defaults;
    auto* fonts = app.add_subcommand("font", "Convert a face into bitmaps");
    fonts->add_option("INPUT", f.input, "TTF, OTF, BDF or PCF")->required();
    fonts->add_option("--size", f.size, "pixels of the em, or what --measure says")
        ->required()
        ->check(CLI::Range(kMinFontSize, kMaxFontSize));
    fonts->add_option("--bits", s.bits, "bits a pixel: 1, 2, 4 or 8")->required();
    fonts->add_option("--chars", f.chars, "the characters of this text");
    fonts->add_option("--range", f.ranges, "A-B, as often as needed; printable ASCII without any characters");
    fonts->add_option("--block", f.blocks, "a block of Unicode by its name, as often as needed");
    fonts->add_option("--text-file", f.textFile, "the characters of this UTF-8 file, say of translations");
    fonts->add_flag("--all", f.all, "every character that the face has");
    fonts->add_option("--variant", f.face.variant, "of a variable face or a collection: \"Bold\"");
    fonts->add_option("--measure", f.measure, "what the size measures: em, capitals, line");
    fonts->add_option("--hinting", f.hinting, "default, none, light, full");
    fonts->add_option("--gamma", s.gamma, "weight of the edges, 100 as the face has it")->check(CLI::Range(20, 500));
    fonts->add_option("--letter-distance", s.letter, "pixels more between letters")->check(CLI::Range(-16, 64));
    fonts->add_option("--line-distance", s.line, "pixels more between lines")->check(CLI::Range(-64, 128));
    fonts->add_flag("--even-digits", s.evenDigits, "all digits as wide as the widest");
    fonts->add_option("--packing", f.packing, "glyphs plain, as runs, or the smallest of both");
    fonts->add_option("-o", f.out, "FILE.c, FILE.bdf or FILE.png")->required();
    fonts->callback([&exitCode] { exitCode = font(f); });
}

}  // namespace gorsefinch::cli
