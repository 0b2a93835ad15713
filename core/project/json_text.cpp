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

}  // namespace

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

bool JsonObject::isText(const char* key) const {
    const auto at = json_.find(key);
    return at != json_.end() && at->is_string();
}

bool JsonObject::isExpression(const char* key) const {
    const auto at = json_.find(key);
    return at != json_.end() && at->is_string() && expressionText(at->get_ref<const std::string&>());
}

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

std::string JsonObject::text(const char* key, const std::string& otherwise, size_t max) {
    std::string value = typed<std::string>(key, otherwise, &Json::is_string, "a text");
    if (value.size() > max) {
        problem(key, "the text is longer than " + std::to_string(max) + " bytes", "Shorten it");
        return otherwise;
    }
    return value;
}

int64_t JsonObject::whole(const char* key, int64_t otherwise, int64_t min, int64_t max) {
    const double value = typed<double>(key, static_cast<double>(otherwise), &Json::is_number, "a whole number");
    if (!(value >= static_cast<double>(min) && value <= static_cast<double>(max)) ||
        value != static_cast<double>(static_cast<int64_t>(value))) {
        problem(key, "it goes from " + std::to_string(min) + " to " + std::to_string(max), "Correct the number");
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
        if (!object.contains(key))
            object[key] = Json::parse(text);
}

}  // namespace gorsefinch
