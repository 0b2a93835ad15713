// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/scene/built_scene.h"

namespace gorsefinch {

// Generated code: path in the output folder -> text. The same scene gives the same bytes.
struct GeneratedCode {
    std::map<std::string, std::string> files;
    std::string portFile, portText;  // written once, then the user's own
    std::vector<std::string> hooks;  // the C functions that the firmware's author may write
    Problems problems;               // with an Error, files is empty
};

GeneratedCode generateCode(const BuiltScene& scene);

// The command that compiles a folder of generated code: every source, one include path.
std::string compileCommand(const GeneratedCode& code, const std::string& folder, int wordBits);

}  // namespace gorsefinch
