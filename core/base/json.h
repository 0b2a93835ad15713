// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <nlohmann/json.hpp>
#include <string>

#include "core/base/result.h"

// The only place where JSON is parsed: files of a project, save records, manifests, the clipboard.
namespace gorsefinch {

using Json = nlohmann::ordered_json;

// Limits of a JSON text. Within them, parsing takes linear time and memory and does not recurse.
struct JsonLimits {
    size_t bytes = size_t{16} << 20;
    int depth = 60;           // lists and objects in each other
    size_t keys = 1000;       // of one object; lookup is linear
    size_t values = 1000000;  // in all
};

// Parses a text; the error contains line and column, or the limit that is exceeded. `file` is for messages.
Result<Json> parseJson(const std::string& file, std::string_view text, const JsonLimits& limits = {});

// Two spaces of indent, a line end at the end. What is no UTF-8 is replaced.
std::string dumped(const Json& json);

}  // namespace gorsefinch
