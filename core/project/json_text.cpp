// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/json_text.h"

#include <algorithm>

namespace gorsefinch {

namespace {

const Json& emptyArray() {
    static const Json empty = Json::array();
    return empty;
}

const Json& emptyObject() {
    static const Json empty = Json::object();
    return empty;
}

// The parser recurses nowhere, but what reads its result may: deeper files are refused.
bool isTooDeep(const std::string& text) {
    int depth = 0;
    bool quoted = false;
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (quoted)
            i += c == '\\', quoted = c != '"';
        else if (c == '"')
            quoted = true;
        else if (c == '{' || c == '[')
            depth += 1;
        else if (c == '}' || c == ']')
            depth -= 1;
        if (depth > 60)
            return true;
    }
    return false;
}

}  // namespace

Result<Json> parseJson(const std::string& file, const std::string& text) {
    if (isTooDeep(text))
        return failure(file, "", "nested too deeply", "A project's file has fewer than 60 levels");
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
                       "Restore the file from version control or a copy, or mend that line");
    } catch (const nlohmann::json::exception&) {
        return failure(file, "", "this is not JSON", "Restore the file from version control or a copy");
    }
}

JsonObject::JsonObject(const Json& json, std::string file, std::string place, Problems& problems)
    : json_(json.is_object() ? json : emptyObject()),
      file_(std::move(file)),
      place_(std::move(place)),
      problems_(problems) {
    if (!json.is_object())
        problems_.push_back({Severity::Error, file_, place_, "an object { } belongs here", "Mend the file", {}, {}});
}

const Json* JsonObject::get(const char* key) {
    known_.push_back(key);
    const auto at = json_.find(key);
    return at == json_.end() ? nullptr : &*at;
}

bool JsonObject::has(const char* key) const { return json_.contains(key); }

std::string JsonObject::placeOf(const char* key) const { return place_.empty() ? key : place_ + "." + key; }

void JsonObject::problem(const char* key, const std::string& reason, const std::string& remedy) {
    problems_.push_back({Severity::Error, file_, placeOf(key), reason, remedy, {}, {}});
}

template <typename T>
T JsonObject::typed(const char* key, T otherwise, bool (Json::*is)() const noexcept, const char* wanted) {
    const Json* value = get(key);
    if (!value)
        return otherwise;
    if (!(value->*is)()) {
        problem(key, std::string("wrong type: ") + wanted + " belongs here", "Mend the file");
        return otherwise;
    }
    return value->get<T>();
}

std::string JsonObject::text(const char* key, const std::string& otherwise, size_t most) {
    std::string value = typed<std::string>(key, otherwise, &Json::is_string, "a text");
    if (value.size() > most) {
        problem(key, "the text is longer than " + std::to_string(most) + " bytes", "Shorten it");
        return otherwise;
    }
    return value;
}

int64_t JsonObject::whole(const char* key, int64_t otherwise, int64_t least, int64_t most) {
    const double value = typed<double>(key, static_cast<double>(otherwise), &Json::is_number, "a whole number");
    if (!(value >= static_cast<double>(least) && value <= static_cast<double>(most)) ||
        value != static_cast<double>(static_cast<int64_t>(value))) {
        problem(key, "it goes from " + std::to_string(least) + " to " + std::to_string(most), "Correct the number");
        return otherwise;
    }
    return static_cast<int64_t>(value);
}

bool JsonObject::yesNo(const char* key, bool otherwise) {
    return typed<bool>(key, otherwise, &Json::is_boolean, "true or false");
}

double JsonObject::number(const char* key, double otherwise) {
    return typed<double>(key, otherwise, &Json::is_number, "a number");
}

Colour JsonObject::colour(const char* key, Colour otherwise) {
    const std::string given = text(key);
    if (given.empty())
        return otherwise;
    if (const auto colour = colourFromText(given))
        return *colour;
    problem(key, "\"" + given + "\" is no colour", "Write #RRGGBB, #RRGGBBAA or none");
    return otherwise;
}

const Json& JsonObject::array(const char* key) {
    const Json* value = get(key);
    if (!value)
        return emptyArray();
    if (value->is_array())
        return *value;
    problem(key, "wrong type: a list [ ] belongs here", "Mend the file");
    return emptyArray();
}

const Json& JsonObject::object(const char* key) {
    const Json* value = get(key);
    if (!value)
        return emptyObject();
    if (value->is_object())
        return *value;
    problem(key, "wrong type: an object { } belongs here", "Mend the file");
    return emptyObject();
}

UnknownKeys JsonObject::unknown() const {
    UnknownKeys out;
    for (const auto& [key, value] : json_.items())
        if (std::find(known_.begin(), known_.end(), key) == known_.end())
            out.emplace_back(key, value.dump());
    return out;
}

void appendUnknown(Json& object, const UnknownKeys& unknown) {
    for (const auto& [key, text] : unknown)
        object[key] = Json::parse(text);
}

std::string dumped(const Json& json) { return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n"; }

}  // namespace gorsefinch
