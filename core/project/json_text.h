// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>

#include "core/base/json.h"
#include "core/base/problem.h"
#include "core/base/result.h"
#include "core/kinds/value.h"

// Reading objects; each mistake is reported with its place.
namespace gorsefinch {

// One object while it is read: remembers which keys were read, so that the rest can be kept.
class JsonObject {
  public:
    // `json` must outlive this. A value that is no object is a problem and reads as an empty one.
    JsonObject(const Json& json, std::string file, std::string place, Problems& problems);

    std::string text(const char* key, const std::string& otherwise = {}, size_t max = 4000);
    int64_t whole(const char* key, int64_t otherwise, int64_t min, int64_t max);
    bool yesNo(const char* key, bool otherwise);
    double number(const char* key, double otherwise);
    Colour colour(const char* key, Colour otherwise);
    // One of a table's keys: `find` gives nothing for an unknown one. `keys` lists them for the message.
    template <typename T>
    T choice(const char* key, T otherwise, const std::function<std::optional<T>(std::string_view)>& find,
             const std::string& keys = {}) {
        const std::string given = text(key);
        if (given.empty())
            return otherwise;
        if (const std::optional<T> found = find(given))
            return *found;
        problem(key, "\"" + given + "\" is not known",
                keys.empty() ? "Use one of the documented words" : "Use one of " + keys);
        return otherwise;
    }
    // The array under the key, or an empty one.
    const Json& array(const char* key);
    // The object under the key, or an empty one.
    const Json& object(const char* key);
    bool has(const char* key) const;
    // True if there is a text under the key.
    bool isText(const char* key) const;
    // True if its text is an expression, see expressionText().
    bool isExpression(const char* key) const;
    // `earlier` if the object has that key of earlier files and not `key`, else `key`.
    const char* either(const char* key, const char* earlier) const { return has(earlier) && !has(key) ? earlier : key; }
    std::string placeOf(const char* key) const;
    void problem(const char* key, const std::string& reason, const std::string& remedy);
    // An object of the list under the key, which must outlive the result.
    JsonObject inside(const Json& json, const char* key) const { return {json, file_, placeOf(key), problems_}; }
    // What was not read.
    UnknownKeys unknown() const;

  private:
    const Json* get(const char* key);
    template <typename T>
    T typed(const char* key, T otherwise, bool (Json::*is)() const noexcept, const char* wanted);

    const Json& json_;
    std::string file_, place_;
    Problems& problems_;
    std::vector<std::string> known_;
};

void appendUnknown(Json& object, const UnknownKeys& unknown);

}  // namespace gorsefinch
