// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <set>
#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/rules/project_names.h"

namespace gorsefinch {

// A text as the runtime reads it: UTF-8 with insets, closed by a 0.
struct CompiledText {
    std::vector<uint8_t> bytes;
    bool hasInsets = false;
    bool needsExtended = false;     // an inset has operations of gorse_code_extended.c
    bool needsElements = false;     // an inset works on an array, see gorse_code_elements.c
    bool needsForms = false;        // an inset is not a number, see gorse_expand_extended.c
    int stackDepth = 0;             // values that the deepest inset puts on the stack
    int longest = 0;                // bytes of what it can show at most, without the closing zero
    std::set<char32_t> characters;  // that it can show
    std::set<int> variables;        // bindings that it depends on
    std::string longestShown;       // an example as long as it gets, to see what it clips
    Problems problems;              // without file and place
};

// Compiles a text with insets such as "{kiln_temp:0.1} °C". A mistake is a problem, and the inset shows as written.
CompiledText compileText(std::string_view text, const ProjectNames& names);

// The characters of UTF-8 text; broken bytes count as U+FFFD.
std::set<char32_t> charactersOf(std::string_view utf8);

}  // namespace gorsefinch
