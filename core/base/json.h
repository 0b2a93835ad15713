// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <nlohmann/json.hpp>
#include <string>

#include "core/base/result.h"

// The one place where JSON is parsed, whatever it is for: files of a project, save records, manifests, the clipboard.
namespace gorsefinch {

using Json = nlohmann::ordered_json;

// What a text may ask of the reader. Parsing takes time and memory by the text's length, and no recursion.
struct JsonLimits {
    size_t bytes = size_t{16} << 20;
    int depth = 60;           // lists and objects in each other
    size_t keys = 1000;       // of one object, as each is looked up among the others
    size_t values = 1000000;  // in all
};

// Parsed text; an error names line and column, or the limit that is exceeded. `file` is for messages.
Result<Json> parseJson(const std::string& file, const std::string& text, const JsonLimits& limits = {});

// Two spaces of indent, a line end at the end. What is no UTF-8 is replaced.
std::string dumped(const Json& json);

}  // namespace gorsefinch
