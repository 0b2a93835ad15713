// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/disk.h"
#include "core/emit/generate.h"

namespace gorsefinch {

// How the hooks that rules call agree with the functions of a C file. Both hold names of C functions.
struct HookCheck {
    std::vector<std::string> missing;  // that the file does not define
    std::vector<std::string> stale;    // that the file defines and no rule calls, as after a rename
};

// `text` is C or C++; comments and literals are left out. Definitions that macros make are not seen.
HookCheck checkHooks(const GeneratedCode& code, std::string_view text);

// Warnings about the user's port file in the output folder; none if it isn't there yet.
Problems hookProblems(const GeneratedCode& code, const std::filesystem::path& folder, Disk& disk);

}  // namespace gorsefinch
