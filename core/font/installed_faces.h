// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

namespace gorsefinch {

// A face that is installed on this desktop.
struct InstalledFace {
    std::string family, style;
    std::string file;  // its path
    bool variable = false, bitmap = false;
};

// All of them that can be used, by family and style.
std::vector<InstalledFace> installedFaces();

}  // namespace gorsefinch
