// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <string>
#include <utility>
#include <vector>

#include "core/base/problem.h"
#include "core/document/document.h"

namespace gorsefinch {

// Inputs that rules set, each with the name of a use, or with ofAllUses() of its assembly.
using InputSet = std::set<std::pair<std::string, std::string>>;
std::string ofAllUses(const std::string& assembly);

// A screen with what its uses of assemblies show: see assemblies.h.
struct AssembledScreen {
    Screen screen;
    std::vector<Variable> variables;  // for inputs
    Problems problems;
};
AssembledScreen assembleScreen(const Document& document, const Screen& screen, const InputSet& set);

}  // namespace gorsefinch
