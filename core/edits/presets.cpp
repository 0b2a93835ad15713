// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/presets.h"

#include <filesystem>

#include "core/base/files.h"
#include "core/document/names.h"
#include "core/edits/edit.h"
#include "core/edits/font_edits.h"

namespace gorsefinch {

namespace {

constexpr Preset presetTable[] = {
    {"colour-320x240", "320 x 240, 16-bit colour", "a touch panel of 2 to 3 inches on a serial bus", 320, 240,
     PixelFormat::Rgb565Be, 32, 16, 256 * 1024, 20 * 1024},
    {"colour-480x272", "480 x 272, 16-bit colour", "a touch panel of 4 inches on a parallel bus", 480, 272,
     PixelFormat::Rgb565, 32, 16, 1024 * 1024, 128 * 1024},
    {"colour-800x480", "800 x 480, 24-bit colour", "a large panel with its own frame memory", 800, 480,
     PixelFormat::Rgb888, 32, 24, 2048 * 1024, 512 * 1024},
    {"colour-240x240", "240 x 240, 16-bit colour", "a small square or round panel", 240, 240, PixelFormat::Rgb565Be, 32,
     16, 256 * 1024, 20 * 1024},
    {"mono-128x64", "128 x 64, black and white", "one bit a pixel in pages, for 8-bit controllers", 128, 64,
     PixelFormat::Page1, 8, 8, 32 * 1024, 2 * 1024},
};

Look makeLook(const char* name, PropertyMap style) {
    Look look;
    look.name = name;
    look.style = std::move(style);
    return look;
}

std::vector<Look> startLooks(bool mono, const std::string& face) {
    const auto rgb = [](uint32_t value) { return PropertyValue(opaque(value)); };
    const auto px = [](int64_t value) { return PropertyValue(value); };
    const auto white = rgb(0xFFFFFF), black = rgb(0x000000);
    std::vector<Look> looks;
    if (mono) {
        looks.push_back(makeLook("plain", {{"colour", white}, {"size", px(10)}}));
        looks.push_back(makeLook("title", {{"colour", white}, {"size", px(16)}}));
        Look button = makeLook("button", {{"colour", white},
                                          {"fill", black},
                                          {"border", white},
                                          {"border_width", px(1)},
                                          {"radius", px(3)},
                                          {"size", px(10)}});
        button.states["pressed"] = {{"colour", black}, {"fill", white}};
        looks.push_back(std::move(button));
    } else {
        looks.push_back(makeLook("plain", {{"colour", rgb(0xF2EEE4)}, {"size", px(16)}}));
        looks.push_back(makeLook("quiet", {{"colour", rgb(0x93A199)}, {"size", px(14)}}));
        looks.push_back(makeLook("title", {{"colour", rgb(0xF2EEE4)}, {"size", px(28)}}));
        Look button = makeLook(
            "button", {{"colour", rgb(0xF2EEE4)}, {"fill", rgb(0x2B3436)}, {"radius", px(6)}, {"size", px(16)}});
        button.states["pressed"] = {{"fill", rgb(0xC79B05)}, {"colour", rgb(0x14181A)}};
        looks.push_back(std::move(button));
        looks.push_back(makeLook("surface", {{"fill", rgb(0x1E2526)}, {"radius", px(4)}}));
    }
    if (!face.empty())
        for (Look& look : looks)
            look.style["font"] = face;
    return looks;
}

}  // namespace

std::span<const Preset> presets() { return presetTable; }

const Preset* presetByKey(std::string_view key) {
    for (const Preset& each : presetTable)
        if (key == each.key)
            return &each;
    return nullptr;
}

Result<Document> newProject(const Preset& preset, const std::string& name, Bytes face, const std::string& faceFile) {
    if (const auto error = nameError(name))
        return failure("", "the project's name", *error, "Choose another name");
    Document document;
    document.name = name;
    Panel panel;
    panel.width = preset.width;
    panel.height = preset.height;
    panel.format = preset.format;
    panel.wordBits = preset.wordBits;
    panel.stripLines = preset.stripLines;
    panel.flashBytes = preset.flashBytes;
    panel.ramBytes = preset.ramBytes;
    document = withPanel(document, panel);
    std::string faceName;
    if (face)
        document = addFace(document, faceFile, std::move(face), &faceName);
    const bool mono = info(preset.format).isOneBit();
    document.looks = std::make_shared<std::vector<Look>>(startLooks(mono, faceName));
    Screen screen;
    screen.name = "home";
    screen.background = mono ? opaque(0x000000) : opaque(0x14181A);
    document.screens.push_back(std::make_shared<const Screen>(std::move(screen)));
    return withRules(document, "main",
                     "// What happens when. Each rule begins at the left margin:\n"
                     "//\n// on some_button.tap\n//     go other_screen\n");
}

Result<std::string> findStartFace(std::string& fileName) {
    Disk disk;
    for (const char* path :
         {"/usr/share/fonts/opentype/inter/Inter-Regular.otf", "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf",
          "/usr/share/fonts/opentype/b612/B612-Regular.otf"})
        if (auto bytes = readFile(disk, path, kMaxFaceFile)) {
            fileName = std::filesystem::path(path).filename().string();
            return bytes;
        }
    return failure("", "", "no face was found on this machine", "Bring one in");
}

}  // namespace gorsefinch
