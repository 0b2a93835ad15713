// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/json.h"

#include <algorithm>
#include <optional>
#include <vector>

namespace gorsefinch {

namespace {

tl::unexpected<Error> aboveLimit(const std::string& file, const std::string& what, size_t limit) {
    return failure(file, "", what, "The limit is " + std::to_string(limit));
}

// Checks the structure before anything is allocated for it.
std::optional<tl::unexpected<Error>> exceeded(const std::string& file, std::string_view text,
                                              const JsonLimits& limits) {
    if (text.size() > limits.bytes)
        return aboveLimit(file, "it has " + std::to_string(text.size()) + " bytes", limits.bytes);
    std::vector<size_t> keys{0};
    size_t values = 1;
    bool quoted = false;
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (quoted) {
            i += c == '\\';
            quoted = c != '"';
        } else if (c == '"') {
            quoted = true;
        } else if (c == '{' || c == '[') {
            keys.push_back(0);
            ++values;
        } else if ((c == '}' || c == ']') && keys.size() > 1) {
            keys.pop_back();
        } else if (c == ',') {
            ++values;
        } else if (c == ':' && ++keys.back() > limits.keys) {
            return aboveLimit(file, "an object has more keys than are read", limits.keys);
        }
        if (keys.size() > static_cast<size_t>(limits.depth) + 1)
            return aboveLimit(file, "its lists and objects are nested too deeply", static_cast<size_t>(limits.depth));
        if (values > limits.values)
            return aboveLimit(file, "it has more values than are read", limits.values);
    }
    return std::nullopt;
}

}  // namespace

Result<Json> parseJson(const std::string& file, std::string_view text, const JsonLimits& limits) {
    if (auto error = exceeded(file, text, limits))
        return *error;
    try {
        return Json::parse(text);
    } catch (const nlohmann::json::parse_error& error) {
        const size_t at = std::min(error.byte > 0 ? error.byte - 1 : 0, text.size());
        const auto begin = text.begin(), end = begin + static_cast<std::ptrdiff_t>(at);
        const auto line = std::count(begin, end, '\n') + 1;
        const size_t lineStart = text.rfind('\n', at == 0 ? 0 : at - 1);
        const size_t column = lineStart == std::string::npos || lineStart > at ? at + 1 : at - lineStart;
        const char* what = at >= text.size() ? "the file ends in the middle" : "this is not JSON";
        return failure(file, "line " + std::to_string(line) + ", column " + std::to_string(column), what,
                       "Restore the file from version control or a copy, or correct that line");
    } catch (const nlohmann::json::exception&) {
        return failure(file, "", "this is not JSON", "Restore the file from version control or a copy");
    }
}

std::string dumped(const Json& json) { return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n"; }

}  // namespace gorsefinch
