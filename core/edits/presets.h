// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <string>

#include "core/base/result.h"
#include "core/document/document.h"

namespace gorsefinch {

// A panel to begin with.
struct Preset {
    const char* key;    // on the command line
    const char* title;  // in the application
    const char* help;
    int width, height;
    PixelFormat format;
    int wordBits;
    int stripLines;
    int64_t flashBytes, ramBytes;
};

std::span<const Preset> presets();
const Preset* presetByKey(std::string_view key);

// A new project named `name` with one screen, a few looks for the preset's panel and, if given, a face to write with.
// An unusable name is refused.
Result<Document> newProject(const Preset& preset, const std::string& name, Bytes face = nullptr,
                            const std::string& faceFile = {});

// A face that lies on this machine, to begin with; nothing if there is none.
Result<std::string> findStartFace(std::string& fileName);

}  // namespace gorsefinch
