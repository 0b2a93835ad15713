// SPDX-License-Identifier: GPL-3.0-or-later
#include <glob.h>

#include <filesystem>
#include <iostream>

#include "cli/commands.h"
#include "core/document/names.h"
#include "core/emit/export_image.h"
#include "core/image/series.h"

namespace gorsefinch::cli {

namespace {

struct ImageOptions {
    std::vector<std::string> inputs, out;
    std::string format, size, fit = "contain", dither = "none", background, name;
    std::string storage = "const", element = "uint8_t";
    int threshold = 128, colours = 0, strength = 100;
    bool invert = false, linear = false, frames = false;
};

std::string keys() {
    std::string known;
    for (const PixelFormatInfo& each : pixelFormats())
        known += (known.empty() ? "" : ", ") + std::string(each.key);
    return known;
}

bool readSize(const std::string& text, Recipe& recipe) {
    const size_t x = text.find('x');
    const auto w = decimalFromText(text.substr(0, x), 0);
    const auto h = x == std::string::npos ? std::nullopt : decimalFromText(text.substr(x + 1), 0);
    if (!w || !h || *w < 1 || *h < 1 || *w > kMaxResultSide || *h > kMaxResultSide)
        return false;
    recipe.width = *w;
    recipe.height = *h;
    return true;
}

// A quoted pattern names the files that it fits, in the order that a person expects of numbers.
std::vector<std::string> expanded(const std::vector<std::string>& inputs) {
    std::vector<std::string> out;
    for (const std::string& each : inputs) {
        if (each.find_first_of("*?[") == std::string::npos || std::filesystem::exists(each)) {
            out.push_back(each);
            continue;
        }
        glob_t found{};
        std::vector<std::string> files;
        if (glob(each.c_str(), GLOB_MARK, nullptr, &found) == 0)
            for (size_t i = 0; i < found.gl_pathc; ++i)
                if (std::string path = found.gl_pathv[i]; path.back() != '/')
                    files.push_back(std::move(path));
        globfree(&found);
        std::sort(files.begin(), files.end(), naturallyBefore);
        if (files.empty())
            files.push_back(each);
        out.insert(out.end(), files.begin(), files.end());
    }
    return out;
}

// What output files are made of, and their paths.
struct Job {
    std::vector<std::string> inputs, out;
    std::string name;
};

class Converter {
  public:
    Converter(const ImageOptions& options, const PixelFormatInfo& format) : o_(options), format_(format) {}

    std::optional<std::string> prepare() {
        if (!o_.size.empty() && !readSize(o_.size, recipe_))
            return "--size: write WxH with sides from 1 to 4096, such as 64x48";
        recipe_.fit = *fitByKey(o_.fit);
        recipe_.reduction = *reductionByKey(o_.dither);
        recipe_.threshold = o_.threshold;
        recipe_.colours = o_.colours;
        recipe_.strength = o_.strength;
        recipe_.linear = o_.linear;
        recipe_.inverted = o_.invert;
        recipe_.background = format_.isMask() || format_.format == PixelFormat::Argb8888 ? Colour{0} : opaque(0x000000);
        if (!o_.background.empty()) {
            const auto colour = colourFromText(o_.background);
            if (!colour)
                return "--background: write #RRGGBB";
            recipe_.background = *colour;
        }
        return std::nullopt;
    }

    int convert(const Job& job) {
        Disk disk;
        Image image;
        for (const std::string& input : job.inputs) {
            const auto bytes = readOriginal(disk, input, kMaxPictureFile);
            if (!bytes)
                return refuse(bytes.error());
            if (&input == &job.inputs.front()) {
                image.file = input;
                image.original = *bytes;
            } else {
                image.more.push_back({input, *bytes});
            }
        }
        image.name = job.name;
        image.recipe = recipe_;
        ImageBakery bakery;
        const auto baked = bakeForExport(Document{}, image, format_.format, bakery);
        if (!baked)
            return refuse(explained(baked.error()));
        std::vector<std::string> endings;
        for (const std::string& path : job.out)
            endings.push_back(std::filesystem::path(path).extension().string());
        const auto out = exportFiles(**baked, {job.name, o_.storage, o_.element}, endings);
        if (!out)
            return usage("-o: " + out.error().reason + ". " + out.error().remedy);
        for (size_t i = 0; i < job.out.size(); ++i)
            if (const auto written = replaceFile(disk, job.out[i], (*out)[i].bytes); !written)
                return refuse(written.error());
        return kFine;
    }

  private:
    // The core speaks of the project's folder, here the file was named by its path.
    static Error explained(Error error) {
        if (error.file.starts_with("images/"))
            error.file.erase(0, 7);
        if (error.remedy == "Set its size")
            error.remedy = "Give it a --size";
        return error;
    }

    const ImageOptions& o_;
    const PixelFormatInfo& format_;
    Recipe recipe_;
};

std::string nameOf(const ImageOptions& o, const std::string& path) {
    return o.name.empty() ? nameFrom(std::filesystem::path(path).stem().string(), "image") : o.name;
}

constexpr std::string_view kName = "{name}";

// The output's paths with a picture's name for {name}.
std::vector<std::string> named(std::vector<std::string> paths, const std::string& name) {
    for (std::string& path : paths)
        if (const size_t place = path.find(kName); place != std::string::npos)
            path.replace(place, kName.size(), name);
    return paths;
}

int image(const ImageOptions& o) {
    const PixelFormatInfo* format = pixelFormatByKey(o.format);
    if (!format)
        return usage("--format: \"" + o.format + "\" is not known; it is one of " + keys());
    if (!o.name.empty())
        if (const auto error = nameError(o.name))
            return usage("--name: " + *error);
    Converter converter(o, *format);
    if (const auto error = converter.prepare())
        return usage(*error);
    const std::vector<std::string> inputs = expanded(o.inputs);
    if (inputs.size() == 1 || o.frames)
        return converter.convert({inputs, named(o.out, nameOf(o, inputs[0])), nameOf(o, inputs[0])});
    for (const std::string& out : o.out)
        if (out.find(kName) == std::string::npos)
            return usage(
                "-o: for " + std::to_string(inputs.size()) +
                " pictures write {name} where each one's name goes, or --frames to make them the frames of one");
    if (!o.name.empty())
        return usage("--name: several pictures take their names from their files");
    int exitCode = kFine;
    for (const std::string& input : inputs) {
        const std::string name = nameOf(o, input);
        exitCode = std::max(exitCode, converter.convert({{input}, named(o.out, name), name}));
        if (exitCode == kUsage)
            break;
    }
    return exitCode;
}

}  // namespace

void addImageCommand(CLI::App& app, int& exitCode) {
    static ImageOptions o;
    auto* images = app.add_subcommand("image", "Convert pictures into a pixel format");
    images
        ->add_option(
            "INPUT", o.inputs,
            "PNG, JPEG, BMP, GIF, WebP, SVG, PBM, PGM, PPM or XBM; several, or a quoted pattern such as 'icons/*.png'")
        ->required();
    images
        ->add_option("-o", o.out,
                     "FILE.c, .h, .bin, .png, .bmp, .xbm, .pbm or .pgm; for several pictures with {name} in it; may be "
                     "given several times: a .h beside a .c declares what the .c defines")
        ->required()
        ->allow_extra_args(false);
    images->add_option("--format", o.format, "the pixel format: " + keys())->required();
    images->add_option("--size", o.size, "WxH in pixels; the original's without it");
    images->add_option("--fit", o.fit, "contain, cover or stretch")
        ->check(CLI::IsMember({"contain", "cover", "stretch"}));
    images->add_option("--dither", o.dither, "none, bayer4, bayer8, floyd-steinberg, atkinson or blue-noise")
        ->check(CLI::IsMember({"none", "bayer4", "bayer8", "floyd-steinberg", "atkinson", "blue-noise"}));
    images->add_option("--strength", o.strength, "of the dither in per cent")->check(CLI::Range(0, 100));
    images->add_flag("--linear", o.linear, "dither in linear light");
    images->add_option("--threshold", o.threshold, "the lowest grey that is lit, 0 to 255")->check(CLI::Range(0, 255));
    images->add_option("--colours", o.colours, "of the palette of an indexed format: 2 to 256")
        ->check(CLI::Range(2, 256));
    images->add_option("--background", o.background, "#RRGGBB behind what is transparent; black without it");
    images->add_flag("--invert", o.invert, "exchange light and dark");
    images->add_option("--name", o.name, "the name in C; made of the file's without it");
    images->add_option("--storage", o.storage, "what precedes each array, such as \"static const\"");
    images->add_option("--type", o.element, "of the array's elements: uint8_t, or uint16_t for formats of 16 bits");
    images->add_flag("--frames", o.frames, "the pictures are the frames of one animation");
    images->callback([&exitCode] { exitCode = image(o); });
}

}  // namespace gorsefinch::cli
